<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Workbench\MorningMail\MorningMails;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The mail in the morning, for whoever is signed in. */
#[AsController]
final readonly class MorningMail
{
    public function __construct(private Api $api, private MorningMails $mails)
    {
    }

    #[Route('/api/morning-mail', methods: ['GET'])]
    #[OA\Get(
        path: '/api/morning-mail',
        summary: 'Whether one is told in the morning what broke',
        responses: [new OA\Response(response: 200, description: 'Whether', content: new OA\JsonContent(ref: MorningMailView::class))],
    )]
    public function is(#[CurrentUser] Account $account): Response
    {
        return $this->api->json(new MorningMailView($this->mails->isWantedBy($account->actor())));
    }

    #[Route('/api/morning-mail', name: 'morning_mail', methods: ['PUT'])]
    #[OA\Put(
        path: '/api/morning-mail',
        summary: 'Asks to be told in the morning what broke, or no longer',
        responses: [new OA\Response(response: 200, description: 'Whether', content: new OA\JsonContent(ref: MorningMailView::class))],
    )]
    public function want(#[Body] MorningMailInput $input, #[CurrentUser] Account $account): Response
    {
        $this->mails->want($account->actor(), $input->wanted);

        return $this->api->json(new MorningMailView($input->wanted));
    }
}
