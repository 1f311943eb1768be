<?php

declare(strict_types=1);

namespace Lantern\Admin\SignIn;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\CsrfGuard;
use Lantern\Core\Person\Role;
use Lantern\Core\Person\SignInLevel;
use Lantern\Core\Shop\FirstStep;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Shop\FirstFactsReader;
use Lantern\Workbench\People\HouseRules;
use OpenApi\Attributes as OA;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

#[AsController]
final readonly class Sessions
{
    public function __construct(
        private Api $api,
        private Copies $copies,
        private CsrfTokenManagerInterface $tokens,
        private FirstFactsReader $facts,
        private HouseRules $rules,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    #[Route('/api/session', name: 'session', methods: ['GET'])]
    #[OA\Get(
        path: '/api/session',
        summary: 'Who is signed in',
        responses: [new OA\Response(response: 200, description: 'The person', content: new OA\JsonContent(ref: SessionView::class))],
    )]
    public function session(#[CurrentUser] Account $account): Response
    {
        $person = $account->person;
        $settings = $this->copies->workbench->settings;

        $role = Role::from($person->role);
        $whole = SignInLevel::Whole === $account->standing;

        return $this->api->json(new SessionView(
            $person->name,
            $person->role,
            $whole && $role->mayEdit(),
            $whole && $role->mayPublish(),
            !$whole,
            null !== FirstStep::next($this->facts->read()) && !$this->rules->firstStepsAreAway(),
            $settings->name(),
            $this->storefrontUrl,
            $settings->zone()->getName(),
            $this->tokens->getToken(CsrfGuard::ID)->getValue(),
            $this->tokens->getToken('logout')->getValue(),
        ));
    }
}
