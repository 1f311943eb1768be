<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\View\DoneView;
use Lantern\Admin\View\JudgedLineView;
use Lantern\Admin\View\JudgementView;
use Lantern\Admin\View\RedirectPage;
use Lantern\Admin\View\RedirectRow;
use Lantern\Admin\View\SheetProgress;
use Lantern\Core\Redirect\Fate;
use Lantern\Core\Redirect\Judgement;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Lantern\Interchange\RedirectCsv;
use Lantern\Interchange\RedirectExport;
use Lantern\Persistence\Fields;
use Lantern\Persistence\Journal\Edit;
use Lantern\Persistence\ListedRedirect;
use Lantern\Persistence\Progress;
use Lantern\Persistence\RedirectEditor;
use Lantern\Persistence\RedirectTable;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Uid\Uuid;

#[AsController]
final readonly class Redirects
{
    private const SHOWN_OF_EACH = 1000;
    private const SECONDS_FOR_A_FILE = 300;

    public function __construct(private Api $api, private RedirectTable $table, private RedirectEditor $editor)
    {
    }

    #[Route('/api/redirects', methods: ['GET'])]
    #[OA\Get(path: '/api/redirects', summary: 'The redirects of the workbench, by source, a page at a time', parameters: [
        new OA\Parameter(name: 'q', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'status', in: 'query', schema: new OA\Schema(type: 'string', enum: ['', '301', '302', '307', '308', '410'])),
        new OA\Parameter(name: 'origin', in: 'query', schema: new OA\Schema(type: 'string', enum: ['', 'person', 'address-change', 'file'])),
        new OA\Parameter(name: 'mark', in: 'query', schema: new OA\Schema(type: 'string', enum: ['', 'shadowed', 'nowhere', 'unused', 'ended'])),
        new OA\Parameter(name: 'after', in: 'query', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'A page', content: new OA\JsonContent(ref: RedirectPage::class))])]
    public function page(Request $request): Response
    {
        $query = $request->query;
        $after = $query->getString('after');
        $rows = $this->table->page($query->getString('q'), $query->getDigits('status'), $query->getString('origin'), $query->getString('mark'), Uuid::isValid($after) ? $after : null);
        $page = \array_slice($rows, 0, RedirectTable::PAGE);

        return $this->api->json(new RedirectPage(array_map(self::row(...), $page), \count($rows) > RedirectTable::PAGE ? $page[RedirectTable::PAGE - 1]->rule->id : null, $this->table->count()));
    }

    #[Route('/api/redirects', methods: ['POST'])]
    #[OA\Post(path: '/api/redirects', summary: 'Makes a redirect', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RedirectInput')), responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))])]
    #[OA\Schema(schema: 'RedirectInput', required: ['source'], properties: [
        new OA\Property(property: 'source', type: 'string', description: 'An address, or /old/* for all below one'),
        new OA\Property(property: 'target', type: 'string', description: 'An address of the shop, /new/*, or an outside URL; empty for what is gone'),
        new OA\Property(property: 'status', type: 'string', enum: ['301', '302', '307', '308', '410']),
        new OA\Property(property: 'until', type: 'string', description: 'Its last day, such as 2027-03-31; empty: for ever'),
        new OA\Property(property: 'note', type: 'string', maxLength: 500),
    ])]
    public function make(Request $request, #[CurrentUser] Account $account): Response
    {
        return $this->api->json(DoneView::of($this->editor->make(self::line($this->api->body($request)), $account->person)));
    }

    #[Route('/api/redirects/{id}', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(path: '/api/redirects/{id}', summary: 'Gives a redirect another source, target, status, end or note', parameters: [
        new OA\Parameter(name: 'id', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'If-Match', in: 'header', required: true, schema: new OA\Schema(type: 'string')),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RedirectInput')), responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))])]
    public function change(string $id, Request $request, #[CurrentUser] Account $account): Response
    {
        $line = self::line($this->api->body($request));

        return $this->api->edited(
            fn (): Edit => $this->editor->change($id, $this->api->version($request), $line, $account->person),
            fn (): RedirectRow => self::row($this->table->one($id)),
        );
    }

    #[Route('/api/redirects/many', methods: ['POST'])]
    #[OA\Post(path: '/api/redirects/many', summary: 'Gives many redirects the same target, status or end', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['ids'], properties: [
        new OA\Property(property: 'ids', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'target', type: 'string'),
        new OA\Property(property: 'status', type: 'string', enum: ['301', '302', '307', '308', '410']),
        new OA\Property(property: 'until', type: 'string', description: 'Empty: for ever'),
    ])), responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))])]
    public function changeMany(Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);

        return $this->api->json(DoneView::of($this->editor->changeMany($body->uuids('ids'), $body->textOrNull('target'), $body->textOrNull('status'), $body->textOrNull('until'), $account->person)));
    }

    #[Route('/api/redirects/removal', methods: ['POST'])]
    #[OA\Post(path: '/api/redirects/removal', summary: 'Takes redirects away', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['ids'], properties: [new OA\Property(property: 'ids', type: 'array', items: new OA\Items(type: 'string'))], type: 'object')), responses: [new OA\Response(response: 200, description: 'The edit', content: new OA\JsonContent(ref: DoneView::class))])]
    public function remove(Request $request, #[CurrentUser] Account $account): Response
    {
        return $this->api->json(DoneView::of($this->editor->remove($this->api->body($request)->uuids('ids'), $account->person)));
    }

    #[Route('/api/redirects/sheet', methods: ['POST'])]
    #[OA\Post(path: '/api/redirects/sheet', summary: 'A file of redirects: what would become of each line or, with take=yes, what became of it', parameters: [
        new OA\Parameter(name: 'take', in: 'query', schema: new OA\Schema(type: 'string', enum: ['yes', 'no'])),
    ], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['file'], properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')], type: 'object'))), responses: [
        new OA\Response(response: 200, description: 'A line of JSON for each step of the way, the last of them with the fate of the lines or a problem', content: new OA\MediaType(mediaType: 'application/x-ndjson', schema: new OA\Schema(ref: SheetProgress::class))),
    ])]
    public function sheet(Request $request, #[CurrentUser] Account $account): Response
    {
        $file = $request->files->get('file');
        $handle = $file instanceof UploadedFile && $file->isValid() ? fopen($file->getPathname(), 'r') : false;
        if (false === $handle) {
            throw new Refused('file', 'No file arrived. Choose a CSV file of at most 20 MB.');
        }
        $take = 'yes' === $request->query->getString('take');
        // Nobody else waits for this session meanwhile, and the file may be long.
        set_time_limit(self::SECONDS_FOR_A_FILE);

        return new StreamedResponse(fn () => self::tell($this->sheetSteps($handle, $take, $account)), 200, ['Content-Type' => 'application/x-ndjson', 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no']);
    }

    #[Route('/api/redirects/export.{format}', requirements: ['format' => 'csv|json|nginx'], methods: ['GET'])]
    #[OA\Get(path: '/api/redirects/export.{format}', summary: 'All redirects as a file', parameters: [
        new OA\Parameter(name: 'format', in: 'path', required: true, schema: new OA\Schema(type: 'string', enum: ['csv', 'json', 'nginx'])),
    ], responses: [new OA\Response(response: 200, description: 'The file')])]
    public function export(string $format): Response
    {
        return new StreamedResponse(function () use ($format): void {
            foreach (RedirectExport::write($format, $this->table->all()) as $part) {
                echo $part;
            }
        }, 200, [
            'Content-Type' => RedirectExport::TYPES[$format],
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', 'redirects.'.('nginx' === $format ? 'map' : $format)),
        ]);
    }

    private static function line(Fields $body): SheetLine
    {
        return new SheetLine(1, $body->text('source'), $body->text('target', ''), $body->text('status', '301'), $body->text('until', ''), mb_substr($body->text('note', ''), 0, 500));
    }

    private static function row(ListedRedirect $one): RedirectRow
    {
        $rule = $one->rule;

        return new RedirectRow($rule->id, $one->version, $rule->sourceWords(), $one->goalWords, $one->goalAddress, $rule->goal->placeId, $rule->status->value, $rule->status->words(), $rule->until?->format(\DATE_ATOM), $one->origin, $one->note, $one->visits, $one->lastVisit, $one->shadowedBy, $one->leadsNowhere);
    }

    /**
     * @param resource $handle
     */
    private function sheetSteps($handle, bool $take, Account $account): \Closure
    {
        return function (\Closure $tell) use ($handle, $take, $account): SheetProgress {
            $progress = new Progress(static fn (string $step, int $done, int $of) => $tell(new SheetProgress($step, $done, $of)));
            $lines = array_values(iterator_to_array(RedirectCsv::read($handle), false));
            if (!$take) {
                return SheetProgress::judged(self::judgement($this->editor->judge($lines, $progress)), null);
            }
            $taken = $this->editor->take($lines, 'file', $account->person, $progress);

            return SheetProgress::judged(self::judgement($taken->judgement), DoneView::of($taken->edit));
        };
    }

    /** Writes each step as soon as it is known; what is refused on the way is the last line. */
    private static function tell(\Closure $steps): void
    {
        $write = static function (SheetProgress $step): void {
            echo json_encode($step, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES), "\n";
            flush();
        };
        try {
            $write($steps($write));
        } catch (Refused $refused) {
            $write(SheetProgress::refused($refused->getMessage()));
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

        return new JudgementView($judgement->count(Fate::Added), $judgement->count(Fate::Already), $judgement->count(Fate::Refused), \count($judgement->changed), $shown, RedirectCsv::refused($judgement));
    }
}
