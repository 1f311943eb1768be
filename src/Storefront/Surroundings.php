<?php

declare(strict_types=1);

namespace Lantern\Storefront;

use Lantern\Core\Shop\ShopDetail;
use Lantern\Reading\Menus\Frame;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use Twig\Environment;

/** Header, drawer and footer: the same on every page, so they are made once for each state of the shop and not once a page. */
final readonly class Surroundings
{
    public function __construct(
        private Environment $twig,
        private Frame $frame,
        private Headers $headers,
        private LooksStyles $looks,
        private Panels $panels,
        private FooterColumns $columns,
        #[Autowire(service: 'cache.resolved')] private CacheInterface $cache,
    ) {
    }

    public function shown(Visit $visit): ShownFrame
    {
        $frame = $visit->isLive() ? $this->kept($visit) : $this->made($visit);
        $visit->shown->all($frame->keys);

        return $frame;
    }

    private function kept(Visit $visit): ShownFrame
    {
        $audience = $visit->visitor->signedIn ? 'customer' : 'guest';

        return $this->cache->get("surroundings.{$visit->copy->contentVersion()}.$audience", function (ItemInterface $item) use ($visit): ShownFrame {
            $item->expiresAt($visit->copy->keptUntil($visit->visitor->moment));

            return $this->made($visit);
        });
    }

    private function made(Visit $asked): ShownFrame
    {
        $visit = $asked->noting(new ShownThings());
        $settings = $visit->copy->settings->all();
        $frame = $visit->isLive() ? $this->frame->kept($visit->copy, $visit->visitor) : $this->frame->of($visit->copy, $visit->visitor);
        $panels = $this->panels->shown($visit);
        $header = $this->headers->shown($visit, $frame['header'] ?? null, array_keys($panels));
        $columns = $this->columns->shown($visit);
        $template = $this->twig->load('storefront/frame.html.twig');
        $context = ['visit' => $visit, 'frame' => $frame, 'panels' => $panels, 'header' => $header->shape, 'columns' => $columns, 'shop' => $settings->filled()];
        $beside = $marks = [];
        foreach ($frame as $hung) {
            if (null !== $hung->bay->beside && [] !== $hung->menu->entries) {
                $beside[$hung->bay->beside] = $template->renderBlock('beside', ['visit' => $visit, 'hung' => $hung]);
            }
            foreach ($hung->menu->marks() as $placeId => $entries) {
                $marks[$placeId] = $entries + ($marks[$placeId] ?? []);
            }
        }

        $styles = FooterColumns::styles($frame, $columns).$this->looks->of($settings->looks()).$header->styles.implode('', array_map(static fn (ShownPanel $panel): string => $panel->styles, $panels));

        return new ShownFrame(
            $template->renderBlock('top', $context),
            $template->renderBlock('bottom', $context),
            $beside,
            $styles,
            LayoutStyles::hash($styles),
            $settings->name(),
            $settings->get(ShopDetail::Tagline->value),
            $settings->looks()->ground->hex(),
            $header->shape->onClick,
            $frame['header']->menu->entries ?? [],
            $visit->shown->keys(),
            $marks,
        );
    }
}
