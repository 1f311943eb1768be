<?php

declare(strict_types=1);

namespace Lantern\Admin\Controller;

use Lantern\Admin\Account;
use Lantern\Admin\Api;
use Lantern\Admin\MenuViews;
use Lantern\Admin\View\FrameView;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Refused;
use Lantern\Persistence\FrameEditor;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The frame of the shop: which menu hangs where, and what else visitors see around every page. */
#[AsController]
final readonly class Frames
{
    public function __construct(private Api $api, private MenuViews $views, private FrameEditor $editor)
    {
    }

    #[Route('/api/frame', methods: ['GET'])]
    #[OA\Get(path: '/api/frame', summary: 'The frame of the shop on the workbench', responses: [new OA\Response(response: 200, description: 'The frame', content: new OA\JsonContent(ref: FrameView::class))])]
    public function frame(#[CurrentUser] Account $account): Response
    {
        return $this->api->json($this->views->frame($account->person));
    }

    #[Route('/api/frame/changes', methods: ['POST'])]
    #[OA\Post(path: '/api/frame/changes', summary: 'Changes one thing of the frame', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['type'], properties: [
        new OA\Property(property: 'type', type: 'string', enum: ['hang', 'take-down', 'swap', 'heading', 'make', 'rename', 'remove', 'notice', 'without-menu', 'opens']),
        new OA\Property(property: 'bay', type: 'string', description: 'For hang, take-down, swap, heading and, to hang it at once, make'),
        new OA\Property(property: 'other', type: 'string', description: 'For swap: the other bay'),
        new OA\Property(property: 'menuId', type: 'string', description: 'For hang, rename and remove'),
        new OA\Property(property: 'words', type: 'string', description: 'For heading, make, rename, notice; for without-menu: categories or nothing; for opens: hover or click'),
        new OA\Property(property: 'evenIfItHangs', type: 'boolean', description: 'For remove'),
    ], type: 'object')), responses: [new OA\Response(response: 200, description: 'The frame', content: new OA\JsonContent(ref: FrameView::class))])]
    public function change(Request $request, #[CurrentUser] Account $account): Response
    {
        $body = $this->api->body($request);
        $by = $account->person;
        $made = null;
        match ($body->text('type')) {
            'hang' => $this->editor->hang($body->text('bay'), $body->uuid('menuId'), $by),
            'take-down' => $this->editor->hang($body->text('bay'), null, $by),
            'swap' => $this->editor->swap($body->text('bay'), $body->text('other'), $by),
            'heading' => $this->editor->heading($body->text('bay'), $body->text('words'), $by),
            'make' => $made = $this->editor->make($body->text('words'), $body->textOrNull('bay'), $by),
            'rename' => $this->editor->rename($body->uuid('menuId'), $body->text('words'), $by),
            'remove' => $this->editor->remove($body->uuid('menuId'), $body->bool('evenIfItHangs', false), $by),
            'notice' => $this->editor->notice($body->text('words'), $by),
            'without-menu' => $this->editor->withoutMenu($body->choice('words', HeaderWithoutMenu::class, HeaderWithoutMenu::Categories), $by),
            'opens' => $this->editor->opensOnClick('click' === $body->text('words'), $by),
            default => throw new Refused('type', 'A change of the frame is one of hang, take-down, swap, heading, make, rename, remove, notice, without-menu, opens.'),
        };

        return $this->api->json($this->views->frame($by, $made));
    }

    #[Route('/api/frame/undo', methods: ['POST'])]
    #[OA\Post(path: '/api/frame/undo', summary: 'Takes back the last change of the frame of the person who asks', responses: [new OA\Response(response: 200, description: 'The frame', content: new OA\JsonContent(ref: FrameView::class))])]
    public function undo(#[CurrentUser] Account $account): Response
    {
        $this->editor->undo($account->person);

        return $this->api->json($this->views->frame($account->person));
    }
}
