<?php

declare(strict_types=1);

namespace Lantern\Admin\Person;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Core\Person\Role;
use Lantern\Core\Refused;
use Lantern\Workbench\Letters\PeopleLetters;
use Lantern\Workbench\People\Colleague;
use Lantern\Workbench\People\HouseRules;
use Lantern\Workbench\People\Invited;
use Lantern\Workbench\People\OwnSessions;
use Lantern\Workbench\People\SecondFactors;
use Lantern\Workbench\People\TeamEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who works here. For owners alone. */
#[AsController]
final readonly class People
{
    private bool $keepsMails;

    public function __construct(
        private Api $api,
        private TeamEditor $team,
        private SecondFactors $factors,
        private OwnSessions $sessions,
        private HouseRules $rules,
        private PeopleLetters $letters,
        #[Autowire(env: 'LANTERN_ADMIN_URL')] private string $adminUrl,
        #[Autowire(env: 'default::MAILER_DSN')] ?string $mailServer,
    ) {
        $this->keepsMails = '' === (string) $mailServer;
    }

    #[Route('/api/people', name: 'people', methods: ['GET'])]
    #[OA\Get(
        path: '/api/people',
        summary: 'Who works here, and who is asked to',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function people(): Response
    {
        return $this->api->json($this->view());
    }

    #[Route('/api/people/invitations', name: 'people_invite', methods: ['POST'])]
    #[OA\Post(
        path: '/api/people/invitations',
        summary: 'Asks somebody to work here, by mail',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function invite(#[Body] InvitationInput $input, #[CurrentUser] Account $account): Response
    {
        $token = $this->team->invite($input->mail, $input->name, $input->role, $account->actor());
        $this->letters->invitation(trim($input->mail), $input->name, $account->person->name, "$this->adminUrl/welcome/$token");

        return $this->api->json($this->view());
    }

    #[Route('/api/people/invitations/{id}', name: 'people_take_back', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/people/invitations/{id}',
        summary: 'Takes an invitation back',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function takeBack(string $id, #[CurrentUser] Account $account): Response
    {
        $this->team->takeBack($id, $account->actor());

        return $this->api->json($this->view());
    }

    #[Route('/api/people/{id}/role', name: 'people_role', requirements: ['id' => Requirement::UUID], methods: ['PUT'])]
    #[OA\Put(
        path: '/api/people/{id}/role',
        summary: 'Gives somebody another role',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function role(string $id, #[Body] RoleInput $input, #[CurrentUser] Account $account): Response
    {
        $this->team->giveRole($id, $input->role, $account->actor());

        return $this->api->json($this->view());
    }

    #[Route('/api/people/{id}', name: 'people_let_go', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/people/{id}',
        summary: 'Somebody cannot sign in any more; what they did stays',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function letGo(string $id, #[CurrentUser] Account $account): Response
    {
        $this->team->letGo($id, $account->actor());

        return $this->api->json($this->view());
    }

    #[Route('/api/people/{id}/second-factor', name: 'people_factor', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/people/{id}/second-factor',
        summary: 'Takes the second factor off somebody who has lost it',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function factor(string $id, #[CurrentUser] Account $account): Response
    {
        $this->factors->takeOff($id, $account->actor());
        $this->sessions->endAll($id, $account->session);

        return $this->api->json($this->view());
    }

    #[Route('/api/people/{id}/sessions', name: 'people_sessions', requirements: ['id' => Requirement::UUID], methods: ['DELETE'])]
    #[OA\Delete(
        path: '/api/people/{id}/sessions',
        summary: 'Signs somebody out everywhere, as after a laptop was lost',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function endSessions(string $id, #[CurrentUser] Account $account): Response
    {
        $this->team->endSessions($id, $account->session, $account->actor());

        return $this->api->json($this->view());
    }

    #[Route('/api/house-rules', name: 'house_rules', methods: ['PUT'])]
    #[OA\Put(
        path: '/api/house-rules',
        summary: 'What holds for everybody who works here',
        responses: [new OA\Response(response: 200, description: 'People', content: new OA\JsonContent(ref: PeopleView::class))],
    )]
    public function rules(#[Body] HouseRulesInput $input, #[CurrentUser] Account $account): Response
    {
        if ($input->requiresFactor && !$this->rules->requiresFactor() && !$this->factors->has($account->person->id)) {
            throw new Refused('requiresFactor', 'Set up your own second factor first, under your name; then ask it of the others.');
        }
        $this->rules->set($input->requiresFactor, $input->auditDays, $account->actor());

        return $this->api->json($this->view());
    }

    private function view(): PeopleView
    {
        return new PeopleView(
            array_map(
                static fn (Colleague $one): ColleagueView => new ColleagueView(
                    $one->id,
                    $one->name,
                    $one->mail,
                    $one->role->value,
                    $one->seenAt?->format(\DATE_ATOM),
                    $one->leftAt?->format(\DATE_ATOM),
                    $one->sessions,
                    $one->hasFactor,
                ),
                $this->team->all(),
            ),
            array_map(
                static fn (Invited $one): InvitedView => new InvitedView(
                    $one->id,
                    $one->name,
                    $one->mail,
                    $one->role->value,
                    $one->by,
                    $one->until->format(\DATE_ATOM),
                ),
                $this->team->invited(),
            ),
            array_map(static fn (Role $one): RoleView => new RoleView($one->value, $one->words()), Role::cases()),
            new HouseRulesView($this->rules->requiresFactor(), $this->rules->auditDays()),
            $this->keepsMails,
        );
    }
}
