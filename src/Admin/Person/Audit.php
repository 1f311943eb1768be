<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\QueryInput;
use Lantern\Workbench\Audit\AuditEntry;
use Lantern\Workbench\Audit\AuditLog;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What was done here. For owners alone. */
#[AsController]
final readonly class Audit
{
    public function __construct(private Api $api, private AuditLog $log)
    {
    }

    #[Route('/api/audit', name: 'audit', methods: ['GET'])]
    #[OA\Get(
        path: '/api/audit',
        summary: 'What was done, the latest first',
        responses: [new OA\Response(response: 200, description: 'A page', content: new OA\JsonContent(ref: AuditView::class))],
    )]
    public function page(#[QueryInput] AuditQuery $query = new AuditQuery()): Response
    {
        $entries = $this->log->page($query->q, $query->before, AuditLog::PAGE + 1);
        $page = \array_slice($entries, 0, AuditLog::PAGE);

        return $this->api->json(new AuditView(
            array_map(
                static fn (AuditEntry $one): AuditEntryView => new AuditEntryView(
                    $one->id,
                    $one->at->format(\DATE_ATOM),
                    $one->personId,
                    $one->person,
                    AuditWords::of($one),
                    $one->network,
                ),
                $page,
            ),
            \count($entries) > \count($page) ? $page[\count($page) - 1]->id : null,
        ));
    }

    #[Route('/api/audit.csv', name: 'audit_csv', methods: ['GET'])]
    #[OA\Get(
        path: '/api/audit.csv',
        summary: 'All of it, as CSV (RFC 4180)',
        responses: [new OA\Response(response: 200, description: 'The log', content: new OA\MediaType(mediaType: 'text/csv'))],
    )]
    public function csv(#[CurrentUser] Account $account, #[QueryInput] AuditQuery $query = new AuditQuery()): Response
    {
        $this->log->add($account->actor(), 'exported', ['what' => 'the audit log']);
        $response = new StreamedResponse(function () use ($query): void {
            $out = fopen('php://output', 'w');
            \assert(false !== $out);
            fputcsv($out, ['at', 'person', 'person id', 'what', 'network'], escape: '', eol: "\r\n");
            // A spreadsheet takes what begins so for a formula.
            $plain = static fn (string $value): string => 1 === preg_match('/^[=+@\-\t\r]/', $value) ? "'$value" : $value;
            for ($before = null; [] !== $page = $this->log->page($query->q, $before, 1000); $before = $page[\count($page) - 1]->id) {
                foreach ($page as $one) {
                    fputcsv(
                        $out,
                        [
                            $one->at->format(\DATE_ATOM),
                            $plain($one->person),
                            $one->personId ?? '',
                            $plain(AuditWords::of($one)),
                            $one->network,
                        ],
                        escape: '',
                        eol: "\r\n",
                    );
                }
            }
        });
        $response->headers->add([
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, 'audit.csv'),
            'Cache-Control' => 'no-store',
        ]);

        return $response;
    }
}
