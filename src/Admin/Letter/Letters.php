<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Core\NotThere;
use Lantern\Reading\Pieces\SignUps;
use Lantern\Workbench\Audit\AuditLog;
use Lantern\Workbench\Letters\KeptMail;
use Lantern\Workbench\Letters\Mailbox;
use Lantern\Workbench\Mailing\TellService;
use Lantern\Workbench\Subscribers\ListCount;
use Lantern\Workbench\Subscribers\Subscribers;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who asked to be written to, and the mails that no mail server took. For owners: these are people's addresses. */
#[AsController]
final readonly class Letters
{
    public function __construct(
        private Api $api,
        private Subscribers $subscribers,
        private Mailbox $mailbox,
        private SignUps $signUps,
        private AuditLog $audit,
    ) {
    }

    #[Route('/api/letters', name: 'letters', methods: ['GET'])]
    #[OA\Get(
        path: '/api/letters',
        summary: 'The lists, the mails that were kept, and what the mailing service was told',
        responses: [new OA\Response(response: 200, description: 'All of them', content: new OA\JsonContent(ref: LettersView::class))],
    )]
    public function letters(): Response
    {
        $lists = array_map(
            static fn (ListCount $one): ListView => new ListView($one->list, $one->confirmed, $one->asked, $one->left),
            $this->subscribers->lists(),
        );
        $known = array_column($lists, 'name');
        foreach ($this->signUps->lists() as $name) {
            if (!\in_array($name, $known, true)) {
                $lists[] = new ListView($name, 0, 0, 0);
            }
        }

        return $this->api->json(new LettersView(
            $lists,
            $this->mailbox->keeps(),
            array_map(
                static fn (KeptMail $one): MailView => new MailView(
                    $one->id,
                    $one->at->format(\DATE_ATOM),
                    $one->to,
                    $one->subject,
                    $one->text(),
                ),
                $this->mailbox->mails(),
            ),
            array_map(
                static fn (TellService $one): ToldView => new ToldView($one->type, $one->list, $one->address, gmdate(\DATE_ATOM, $one->at)),
                $this->mailbox->told(),
            ),
        ));
    }

    #[Route('/api/letters/subscribers.csv', name: 'letters_csv', methods: ['GET'])]
    #[OA\Get(
        path: '/api/letters/subscribers.csv',
        summary: 'Those of a list who said yes, as CSV (RFC 4180)',
        parameters: [new OA\Parameter(name: 'list', in: 'query', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The list', content: new OA\MediaType(mediaType: 'text/csv'))],
    )]
    public function csv(#[CurrentUser] Account $account, #[MapQueryParameter] string $list = ''): Response
    {
        if ('' === $list) {
            throw new NotThere('There is no such list.');
        }
        $this->audit->add($account->actor(), 'exported', ['what' => "the list “{$list}”"]);
        $response = new StreamedResponse(function () use ($list): void {
            $out = fopen('php://output', 'w');
            \assert(false !== $out);
            fputcsv($out, ['address', 'confirmed at', 'agreed to'], escape: '', eol: "\r\n");
            foreach ($this->subscribers->confirmed($list) as $one) {
                // A spreadsheet takes what begins so for a formula.
                fputcsv(
                    $out,
                    [
                        (1 === preg_match('/^[=+@-]/', $one->address) ? "'" : '').$one->address,
                        $one->confirmedAt?->format(\DATE_ATOM) ?? '',
                        $one->agreed,
                    ],
                    escape: '',
                    eol: "\r\n",
                );
            }
        });
        $response->headers->add([
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, 'subscribers.csv'),
            'Cache-Control' => 'no-store',
        ]);

        return $response;
    }
}
