<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Text;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Pieces\LaidOut;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pieces\Layouts;
use Lantern\Storefront\Pieces\LayoutStyles;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use Twig\Environment;

/** The wide panels of the header. They are the same on every page, and are made once for as long as they are. */
final readonly class Panels
{
    public function __construct(
        private Frame $frame,
        private Environment $twig,
        #[Autowire(service: 'cache.resolved')] private CacheInterface $cache,
    ) {
    }

    /** @return array<string, ShownPanel> by the entry that they open below */
    public function shown(Visit $visit): array
    {
        $shown = $visit->isLive() ? $this->kept($visit) : $this->made($visit, $this->frame->panels($visit->copy, $visit->visitor));
        foreach ($shown as $panel) {
            array_map($visit->shown->place(...), $panel->placeIds);
            array_map($visit->shown->list(...), $panel->lists);
        }

        return $shown;
    }

    /** @return array<string, ShownPanel> */
    private function kept(Visit $visit): array
    {
        $audience = $visit->visitor->signedIn ? 'customer' : 'guest';

        return $this->cache->get("shown-panels.{$visit->copy->frameVersion()}.$audience", function (
            ItemInterface $item,
            bool &$save,
        ) use ($visit): array {
            $item->expiresAt($visit->copy->keptUntil($visit->visitor->moment));
            $panels = $this->frame->keptPanels($visit->copy, $visit->visitor);
            // What words refer to, places and details of the shop, may change without the frame.
            $save = [] === array_filter($panels, self::refers(...));

            return $this->made($visit, $panels);
        });
    }

    /**
     * @param array<string, LaidOut> $panels
     *
     * @return array<string, ShownPanel>
     */
    private function made(Visit $visit, array $panels): array
    {
        $template = $this->twig->load('storefront/panel.html.twig');
        $made = [];
        foreach ($panels as $entry => $laidOut) {
            $layout = Layouts::shown($visit, $laidOut);
            $top = $layout->pieces[0];
            $context = ['visit' => $visit, 'panel' => $layout];
            $made[$entry] = new ShownPanel(
                $top->id,
                $top->piece instanceof Panel ? $top->piece : new Panel(),
                $template->renderBlock('desk', $context),
                trim($template->renderBlock('drawer', $context)),
                LayoutStyles::of([$layout]),
                [...$laidOut->layout->placeIds(), ...$laidOut->inWords()],
                $laidOut->lists,
            );
        }

        return $made;
    }

    private static function refers(LaidOut $panel): bool
    {
        return [] !== array_filter(
            $panel->layout->all(),
            static fn (ResolvedPiece $one): bool => $one->piece instanceof Text
                && 1 === preg_match('/place:|data-blank/', $one->piece->html),
        );
    }
}
