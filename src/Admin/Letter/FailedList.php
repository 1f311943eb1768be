<?php

declare(strict_types=1);

namespace Lantern\Admin\Letter;

use Lantern\Admin\Account\Account;
use Lantern\Workbench\Queues\FailedMessage;
use Lantern\Workbench\Queues\FailedMessages;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What gave up, for owners. */
#[AsController]
final readonly class FailedList
{
    public function __construct(private FailedMessages $failed)
    {
    }

    #[Route('/api/letters/failed', name: 'letters_failed', methods: ['GET'])]
    #[OA\Get(
        path: '/api/letters/failed',
        summary: 'Letters and other work that failed however often it was tried',
        responses: [new OA\Response(
            response: 200,
            description: 'The latest first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FailedView::class)),
        )],
    )]
    public function all(): Response
    {
        return new JsonResponse(array_map(
            static fn (FailedMessage $one): FailedView => new FailedView(
                $one->id,
                FailedWords::of($one->message),
                $one->at->format(\DATE_ATOM),
                $one->why,
            ),
            $this->failed->all(),
        ));
    }

    #[Route('/api/letters/failed/{number}/again', name: 'letters_failed_again', requirements: ['number' => '\d{1,18}'], methods: ['POST'])]
    #[OA\Post(
        path: '/api/letters/failed/{number}/again',
        summary: 'Sends it on its way once more',
        responses: [new OA\Response(
            response: 200,
            description: 'What is left',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FailedView::class)),
        )],
    )]
    public function again(string $number, #[CurrentUser] Account $account): Response
    {
        $this->failed->again($number, $account->actor());

        return $this->all();
    }

    #[Route('/api/letters/failed/{number}', name: 'letters_failed_let_go', requirements: ['number' => '\d{1,18}'], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/letters/failed/{number}',
        summary: 'Lets it go for good',
        responses: [new OA\Response(
            response: 200,
            description: 'What is left',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FailedView::class)),
        )],
    )]
    public function letGo(string $number, #[CurrentUser] Account $account): Response
    {
        $this->failed->letGo($number, $account->actor());

        return $this->all();
    }
}
