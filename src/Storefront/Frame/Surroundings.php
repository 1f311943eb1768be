<?php

declare(strict_types=1);

namespace Lantern\Storefront\Frame;

use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Shop\ShopDetail;
use Lantern\Node\Pages\KeptPages;
use Lantern\Reading\Frame\Frame;
use Lantern\Storefront\Http\ShownThings;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pieces\LayoutStyles;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;
use Twig\Environment;
use Twig\TemplateWrapper;

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
        return $this->cache->get("surroundings.{$visit->copy->contentVersion()}.{$this->audience($visit)}", function (
            ItemInterface $item,
        ) use ($visit): ShownFrame {
            $item->expiresAt($visit->copy->keptUntil($visit->visitor->moment));
            KeptPages::frameBegins();
            try {
                return $this->made($visit);
            } finally {
                KeptPages::frameEnds();
            }
        });
    }

    private function made(Visit $asked): ShownFrame
    {
        $visit = $asked->noting(new ShownThings());
        $settings = $visit->copy->settings->all();
        $frame = $visit->isLive() ? $this->frame->kept($visit->copy, $visit->visitor) : $this->frame->of($visit->copy, $visit->visitor);
        $template = $this->twig->load('storefront/frame.html.twig');
        $header = $this->part('header', $visit, fn (Visit $noting): FramePart => $this->header($noting, $frame, $template));
        $footer = $this->part('footer', $visit, fn (Visit $noting): FramePart => $this->footer($noting, $frame, $template));
        $visit->shown->all([...$header->keys, ...$footer->keys]);
        $beside = $marks = [];
        foreach ($frame as $hung) {
            if (null !== $hung->bay->beside && [] !== $hung->menu->entries) {
                $beside[$hung->bay->beside] = $template->renderBlock('beside', ['visit' => $visit, 'hung' => $hung]);
            }
            foreach ($hung->menu->marks() as $placeId => $entries) {
                $marks[$placeId] = $entries + ($marks[$placeId] ?? []);
            }
        }
        $styles = $footer->styles.$this->looks->of($settings->looks()).$header->styles;

        return new ShownFrame(
            $template->renderBlock('notice', ['shop' => $settings->filled()]).$header->html,
            $footer->html,
            $beside,
            $styles,
            LayoutStyles::hash($styles),
            $settings->name(),
            $settings->get(ShopDetail::Tagline->value),
            $settings->looks()->ground->hex(),
            $header->onClick,
            $frame['header']->menu->entries ?? [],
            $visit->shown->keys(),
            $marks,
        );
    }

    /** @param array<string, HungMenu> $frame by bay */
    private function header(Visit $visit, array $frame, TemplateWrapper $template): FramePart
    {
        $panels = $this->panels->shown($visit);
        $header = $this->headers->shown($visit, $frame['header'] ?? null, array_keys($panels));
        $html = $template->renderBlock(
            'header',
            [
                'visit' => $visit,
                'frame' => $frame,
                'panels' => $panels,
                'header' => $header->shape,
                'shop' => $visit->copy->settings->all()->filled(),
            ],
        );

        return new FramePart(
            $html,
            $header->styles.implode('', array_map(static fn (ShownPanel $panel): string => $panel->styles, $panels)),
            $visit->shown->keys(),
            $header->shape->onClick,
        );
    }

    /** @param array<string, HungMenu> $frame by bay */
    private function footer(Visit $visit, array $frame, TemplateWrapper $template): FramePart
    {
        $columns = $this->columns->shown($visit);
        $html = $template->renderBlock(
            'bottom',
            ['visit' => $visit, 'frame' => $frame, 'columns' => $columns, 'shop' => $visit->copy->settings->all()->filled()],
        );

        return new FramePart($html, FooterColumns::styles($frame, $columns), $visit->shown->keys());
    }

    /**
     * @param 'header'|'footer'         $name
     * @param \Closure(Visit): FramePart $make given a visit that notes what the part shows, and nothing else
     */
    private function part(string $name, Visit $visit, \Closure $make): FramePart
    {
        $noting = $visit->noting(new ShownThings());

        if (!$visit->isLive()) {
            return $make($noting);
        }
        $key = "frame-part.$name.{$visit->copy->framePartVersion($name)}.{$this->audience($visit)}";

        return $this->cache->get($key, static function (
            ItemInterface $item,
        ) use (
            $noting,
            $make,
        ): FramePart {
            $item->expiresAt($noting->copy->keptUntil($noting->visitor->moment));

            return $make($noting);
        });
    }

    private function audience(Visit $visit): string
    {
        return $visit->visitor->signedIn ? 'customer' : 'guest';
    }
}
