<?php

declare(strict_types=1);

namespace Lantern\Admin\Preview;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Admin\Http\Costly;
use Lantern\Admin\Http\Limited;
use Lantern\Admin\Http\QueryInput;
use Lantern\Core\Impact\ComparedMenu;
use Lantern\Core\Impact\TouchWords;
use Lantern\Core\Impact\VisitorDifferences;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Previews\PreviewToken;
use Lantern\Workbench\People\Previews as OpenPreviews;
use OpenApi\Attributes as OA;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The shop as visitors would see it. */
#[AsController]
final readonly class Previews
{
    /** In the session: under which its previews are open, see OpenPreviews. */
    public const KEY = 'preview_key';

    public function __construct(
        private Api $api,
        private Copies $copies,
        private Frame $frame,
        private OpenPreviews $previews,
        #[Autowire(env: 'APP_SECRET')] private string $secret,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    #[Limited(Costly::Preview)]
    #[Route('/api/previews', name: 'previews', methods: ['POST'])]
    #[OA\Post(
        path: '/api/previews',
        summary: 'Opens the shop for a look from the workbench or live',
        responses: [new OA\Response(response: 200, description: 'The preview', content: new OA\JsonContent(ref: PreviewView::class))],
    )]
    public function open(Request $request, #[CurrentUser] Account $account, #[Body] PreviewInput $input): Response
    {
        $session = $request->getSession();
        $key = $session->get(self::KEY);
        if (!\is_string($key)) {
            $session->set(self::KEY, $key = bin2hex(random_bytes(16)));
        }
        $expires = $this->previews->open($account->session, $key, $this->api->now()->modify('+2 hours'));
        $token = new PreviewToken($input->copy, $input->audience->at($expires)->signedIn, $input->at, $expires, $key);

        return $this->api->json(new PreviewView($this->storefrontUrl.$token->prefix($this->secret), $expires->format(\DATE_ATOM)));
    }

    #[Route('/api/seen', methods: ['GET'])]
    #[OA\Get(
        path: '/api/seen',
        summary: 'What a visitor at a moment sees otherwise than a guest does now, in words',
        responses: [new OA\Response(response: 200, description: 'The differences', content: new OA\JsonContent(ref: SeenView::class))],
    )]
    public function seen(#[QueryInput] SeenQuery $query = new SeenQuery()): Response
    {
        $workbench = $this->copies->workbench;
        [$now, $then] = [Visitor::guest($this->api->now()), $query->audience->at($query->at ?? $this->api->now())];
        $names = $workbench->menus->names();
        $other = null === $query->at ? $this->frame->kept($workbench, $then) : $this->frame->of($workbench, $then);
        $menus = [];
        foreach ($this->frame->kept($workbench, $now) as $bay => $hung) {
            // A column of pieces is none of the menus.
            if (isset($names[$hung->bay->menuId ?? ''])) {
                $menus[$hung->bay->menuId] = new ComparedMenu($names[$hung->bay->menuId], $hung->menu, $other[$bay]->menu);
            }
        }

        return $this->api->json(new SeenView(TouchWords::all(VisitorDifferences::differences(
            null === $query->place ? null : $workbench->places->get($query->place),
            array_values($menus),
            $now,
            $then,
        ))));
    }
}
