<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Admin\Account\Account;
use Lantern\Admin\Http\Api;
use Lantern\Admin\Http\Body;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Looks\PaleBand;
use Lantern\Reading\Looks\PaleBands;
use Lantern\Workbench\Frame\BayEditor;
use Lantern\Workbench\Frame\FrameEditor;
use Lantern\Workbench\Frame\FrameVersions;
use Lantern\Workbench\Looks\LooksEditor;
use Lantern\Workbench\Pieces\LayoutMaker;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\AsController;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The frame of the shop: which menu hangs where, and what else visitors see around every page. */
#[AsController]
final readonly class Frames
{
    public function __construct(
        private Api $api,
        private MenuViews $views,
        private FrameEditor $editor,
        private LooksEditor $looks,
        private BayEditor $bays,
        private LayoutMaker $layouts,
        private PaleBands $pale,
        private Copies $copies,
        private FrameVersions $versions,
    ) {
    }

    #[Route('/api/frame', methods: ['GET'])]
    #[OA\Get(
        path: '/api/frame',
        summary: 'The frame of the shop on the workbench',
        responses: [new OA\Response(response: 200, description: 'The frame', content: new OA\JsonContent(ref: FrameView::class))],
    )]
    public function frame(): Response
    {
        return $this->api->json($this->views->frame());
    }

    #[Route('/api/frame/changes', methods: ['POST'])]
    #[OA\Post(
        path: '/api/frame/changes',
        summary: 'Changes one thing of the frame',
        responses: [
            new OA\Response(response: 200, description: 'The frame', content: new OA\JsonContent(ref: FrameView::class)),
            new OA\Response(response: 412, description: 'Somebody else changed it; the frame as it is now is `current`'),
        ],
    )]
    public function change(#[Body] FrameChangeInput $input, #[CurrentUser] Account $account): Response
    {
        return $this->api->changed(
            fn (): ?string => $this->make($input, $account->actor()),
            fn (?string $made): FrameView => $this->views->frame($made),
        );
    }

    #[Route('/api/looks/pale', methods: ['GET'])]
    #[OA\Get(
        path: '/api/looks/pale',
        summary: 'Bands and panels on whose ground the colours of the looks are not read',
        responses: [new OA\Response(
            response: 200,
            description: 'Each colour of each',
            content: new OA\JsonContent(ref: PaleBandsView::class),
        )],
    )]
    public function pale(): Response
    {
        return $this->api->json(new PaleBandsView(array_map(
            static fn (PaleBand $one): PaleBandView => new PaleBandView(
                $one->menuId,
                $one->bandId,
                $one->name,
                $one->pale->name,
                $one->pale->words(),
            ),
            $this->pale->in($this->copies->workbench->settings->all()->looks()),
        )));
    }

    /** @return string|null id of the menu, the column or the bay that was made */
    private function make(FrameChangeInput $input, Actor $by): ?string
    {
        if (null !== $input->seen) {
            $this->versions->refuseStale($input->concerns(), array_column($input->seen, 'version', 'of'));
        }
        match ($input->type) {
            FrameChange::Hang => $this->editor->hang($input->bay(), $input->menuId(), $by),
            FrameChange::TakeDown => $this->editor->hang($input->bay(), null, $by),
            FrameChange::Swap => $this->editor->swap($input->bay(), $input->other(), $by),
            FrameChange::Heading => $this->editor->heading($input->bay(), $input->words(), $by),
            FrameChange::Make => $made = $this->editor->make($input->words(), $input->bay, $by),
            FrameChange::Rename => $this->editor->rename($input->menuId(), $input->words(), $by),
            FrameChange::Remove => $this->editor->remove($input->menuId(), $input->evenIfItHangs, $by),
            FrameChange::Notice => $this->editor->notice($input->words(), $by),
            FrameChange::WithoutMenu => $this->editor->withoutMenu(
                HeaderWithoutMenu::tryFrom($input->words())
                    ?? throw new Refused('words', 'A header without a menu shows categories or nothing.'),
                $by,
            ),
            FrameChange::Wordmark => $this->editor->wordmark($input->words(), $by),
            FrameChange::LastLine => $this->editor->lastLine($input->words(), $by),
            FrameChange::MakeColumn => $made = $this->layouts->column($input->bay(), $by),
            FrameChange::ShiftColumn => $this->bays->shift($input->bay(), $input->towardsEnd ? 1 : -1, $by),
            FrameChange::WidenColumn => $this->bays->share($input->bay(), $input->words(), $by),
            FrameChange::MakeBeside => $made = $this->bays->makeBeside($input->place(), $by),
            FrameChange::FillBeside => $this->bays->fills($input->bay(), 'yes' === $input->words(), $by),
            FrameChange::RemoveBeside => $this->bays->remove($input->bay(), $by),
            FrameChange::Look => $this->looks->change($input->setting(), $input->words(), $by),
            FrameChange::TakeLooks => $this->looks->take($input->set(), $by),
            FrameChange::KeepLooks => $this->looks->keep($input->words(), $by),
            FrameChange::ForgetLooks => $this->looks->forget($input->set(), $by),
            FrameChange::Header => $this->editor->header($input->setting(), $input->words(), $by),
        };

        return $made ?? null;
    }
}
