<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\Costly;
use Lantern\Admin\Http\DoneView;
use Lantern\Admin\Http\IfMatch;
use Lantern\Admin\Http\Limited;
use Lantern\Admin\Http\QueryInput;
use Lantern\Admin\Http\Routes;
use Lantern\Admin\Job\JobView;
use Lantern\Admin\Rule\AllView;
use Lantern\Core\Redirect\Judgement;
use Lantern\Core\Redirect\LineOutcome;
use Lantern\Core\Refused;
use Lantern\Core\Release\CopyName;
use Lantern\Interchange\Csv\RedirectCsv;
use Lantern\Interchange\Csv\RedirectExport;
use Lantern\Node\Http\RequestId;
use Lantern\Reading\Answers\StraightRedirects;
use Lantern\Reading\Redirects\ListedRedirect;
use Lantern\Reading\Redirects\RedirectTable;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Jobs\JobKind;
use Lantern\Workbench\Jobs\Jobs;
use Lantern\Workbench\Redirects\RedirectEditor;
use OpenApi\Attributes as OA;
use Psr\Log\LoggerInterface;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Redirects
{
    private const SHOWN_OF_EACH = 1000;
    private const SECONDS_FOR_A_FILE = 300;

    /** More lines than these are taken by a worker. */
    private const MOST_AT_ONCE = 5000;

    public function __construct(
        private Api $api,
        private RedirectTable $table,
        private RedirectEditor $editor,
        private LoggerInterface $logger,
        private RequestId $requests,
        private Jobs $jobs,
        private AuditLog $audit,
        private StraightRedirects $straight,
    ) {
    }

    #[Route('/api/redirects', methods: ['GET'])]
    #[OA\Get(
        path: '/api/redirects',
        summary: 'The redirects of the workbench, by source, a page at a time',
        responses: [new OA\Response(response: 200, description: 'A page', content: new OA\JsonContent(ref: RedirectPage::class))],
    )]
    public function page(#[QueryInput] RedirectsQuery $query = new RedirectsQuery()): Response
    {
        $rows = $this->table->page($query->filter(), $query->after);
        $page = \array_slice($rows, 0, RedirectTable::PAGE);

        return $this->api->json(new RedirectPage(
            array_map(self::row(...), $page),
            \count($rows) > RedirectTable::PAGE ? $page[RedirectTable::PAGE - 1]->rule->id : null,
            $this->table->count(),
        ));
    }

    #[Route('/api/redirects/all', methods: ['GET'])]
    #[OA\Get(
        path: '/api/redirects/all',
        summary: 'All that the table of redirects is narrowed to',
        responses: [new OA\Response(
            response: 200,
            description: 'How many, and their ids',
            content: new OA\JsonContent(ref: AllView::class),
        )],
    )]
    public function all(#[QueryInput] RedirectsQuery $query = new RedirectsQuery()): Response
    {
        return $this->api->json(AllView::of($this->table->allOf($query->filter(), ManyRedirectsInput::MOST)));
    }

    #[Route('/api/redirects', methods: ['POST'])]
    #[OA\Post(
        path: '/api/redirects',
        summary: 'Makes a redirect',
        responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function make(#[Body] RedirectInput $input, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(fn (): Edit => $this->editor->make($input->line(), $account->actor()));
    }

    #[Route('/api/redirects/{id}', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/redirects/{id}',
        summary: 'Gives a redirect another source, target, status, end or note',
        responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function change(string $id, #[Body] RedirectInput $input, #[IfMatch] int $version, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(
            fn (): Edit => $this->editor->change($id, $version, $input->line(), $account->actor()),
            fn (): RedirectRow => self::row($this->table->one($id)),
        );
    }

    #[Route('/api/redirects/many', methods: ['POST'])]
    #[OA\Post(
        path: '/api/redirects/many',
        summary: 'Gives many redirects the same target, status or end',
        responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function changeMany(#[Body] ManyRedirectsInput $input, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(fn (): Edit => $this->editor->changeMany(
            $input->ids,
            $input->target,
            $input->status,
            $input->until,
            $account->actor(),
        ));
    }

    #[Route('/api/redirects/removal', methods: ['POST'])]
    #[OA\Post(
        path: '/api/redirects/removal',
        summary: 'Takes redirects away',
        responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))],
    )]
    public function remove(#[Body] RedirectIdsInput $input, #[CurrentUser] Account $account): Response
    {
        return $this->api->edited(fn (): Edit => $this->editor->remove($input->ids, $account->actor()));
    }

    #[Limited(Costly::Import)]
    #[Route('/api/redirects/sheet', methods: ['POST'], defaults: [Routes::TAKES_FILE => true])]
    #[OA\Post(path: '/api/redirects/sheet', summary: 'A file of redirects: what would become of each line or, with take=yes, what became '
        .'of it', requestBody: new OA\RequestBody(
            required: true,
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['file'],
                    properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')],
                ),
            ),
        ), responses: [
            new OA\Response(
                response: 200,
                description: 'A line of JSON for each step of the way, the last of them with the fate of the lines or a problem',
                content: new OA\MediaType(mediaType: 'application/x-ndjson', schema: new OA\Schema(ref: SheetProgress::class)),
            ),
        ])]
    public function sheet(Request $request, #[CurrentUser] Account $account, #[QueryInput] SheetQuery $query = new SheetQuery()): Response
    {
        $file = $request->files->get('file');
        $handle = $file instanceof UploadedFile && $file->isValid() ? fopen($file->getPathname(), 'r') : false;
        if (false === $handle) {
            throw new Refused('file', 'No file arrived. Choose a CSV file of at most 20 MB.');
        }
        $take = 'yes' === $query->take;
        // Nobody else waits for this session meanwhile, and the file may be long.
        set_time_limit(self::SECONDS_FOR_A_FILE);

        return new StreamedResponse(
            fn () => $this->tell($this->sheetSteps($handle, $take, $account)),
            200,
            ['Content-Type' => 'application/x-ndjson', 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no'],
        );
    }

    #[Route('/api/redirects/export.{format}', requirements: ['format' => 'csv|json|nginx'], methods: ['GET'])]
    #[OA\Get(
        path: '/api/redirects/export.{format}',
        summary: 'All redirects as a file',
        responses: [new OA\Response(response: 200, description: 'The file')],
    )]
    public function export(string $format, #[CurrentUser] Account $account): Response
    {
        $this->audit->add($account->actor(), 'exported', ['what' => 'the redirects']);

        return new StreamedResponse(function () use ($format): void {
            foreach (RedirectExport::write(
                $format,
                'nginx' === $format ? $this->straight->all(CopyName::Workbench) : $this->table->all(),
            ) as $part) {
                echo $part;
            }
        }, 200, [
            'Content-Type' => RedirectExport::TYPES[$format],
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', 'redirects.'.('nginx' === $format ? 'map' : $format)),
        ]);
    }

    private static function row(ListedRedirect $one): RedirectRow
    {
        $rule = $one->rule;

        return new RedirectRow(
            $rule->id,
            $one->version,
            $rule->sourceWords(),
            $one->goalWords,
            $one->goalAddress,
            $rule->goal->placeId,
            $rule->status->value,
            $rule->status->words(),
            $rule->until?->format(\DATE_ATOM),
            $one->origin,
            $one->note,
            $one->visits,
            $one->lastVisit,
            $one->shadowedBy,
            $one->leadsNowhere,
            $one->hasEnded,
        );
    }

    /**
     * @param resource $handle
     */
    private function sheetSteps($handle, bool $take, Account $account): \Closure
    {
        return function (\Closure $tell) use ($handle, $take, $account): SheetProgress {
            $progress = new Progress(static fn (string $step, int $done, int $of) => $tell(new SheetProgress($step, $done, $of)));
            $lines = array_values(iterator_to_array(RedirectCsv::read($handle), false));
            if ($take && \count($lines) > self::MOST_AT_ONCE) {
                rewind($handle);

                return new SheetProgress(
                    'Waiting',
                    job: JobView::of($this->jobs->ask(JobKind::Redirects, [], $account->actor(), (string) stream_get_contents($handle))),
                );
            }
            if (!$take) {
                return SheetProgress::judged(self::judgement($this->editor->judge($lines, $progress)), null);
            }

            return $this->api->together(function () use ($lines, $account, $progress): SheetProgress {
                $taken = $this->editor->take($lines, 'file', $account->actor(), $progress);

                return SheetProgress::judged(self::judgement($taken->judgement), DoneView::of($taken->edit));
            });
        };
    }

    /** Writes each step as soon as it is known; what is refused on the way is the last line. */
    private function tell(\Closure $steps): void
    {
        $write = static function (SheetProgress $step): void {
            echo json_encode($step, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES), "\n";
            flush();
        };
        try {
            $write($steps($write));
        } catch (Refused $refused) {
            $write(SheetProgress::refused($refused->getMessage()));
        } catch (\Throwable $failure) {
            // The status was sent long ago, so the last line has to say it.
            $this->logger->error(
                'A file of redirects could not be read to its end.',
                ['exception' => $failure, 'request' => $this->requests->current()],
            );
            $write(SheetProgress::refused(\sprintf(
                'Something went wrong here, and nothing was changed. Try again; if it happens again, the log of the server says what it '
                    .'was under %s.',
                $this->requests->current(),
            )));
        }
    }

    private static function judgement(Judgement $judgement): JudgementView
    {
        $shown = [];
        $told = [];
        foreach ($judgement->lines as $judged) {
            $line = $judged->line;
            $told[$judged->fate->value] = ($told[$judged->fate->value] ?? 0) + 1;
            if ($told[$judged->fate->value] <= self::SHOWN_OF_EACH) {
                $shown[] = new JudgedLineView($line->number, $line->source, $line->target, $judged->fate->value, $judged->words);
            }
        }

        return new JudgementView(
            $judgement->count(LineOutcome::Added),
            $judgement->count(LineOutcome::Already),
            $judgement->count(LineOutcome::Refused),
            \count($judgement->changed),
            $shown,
            RedirectCsv::refused($judgement),
        );
    }
}
