<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Visitor;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;

/** The menus around every page of the shop, as one visitor gets them. */
final readonly class Frame
{
    /** The detail of the shop that says how dropdowns open: `hover` or `click`. */
    public const OPENS = 'dropdowns_open';

    private const NO_HEADER = 'header';

    /** Prices and stock change without a release. */
    private const CATALOGUE_SEEN_AGAIN = '+1 minute';

    public function __construct(#[Autowire(service: 'cache.resolved')] private CacheInterface $cache)
    {
    }

    /**
     * What visitors get now. It is kept under the id of its release until a date could change it.
     *
     * @return array<string, HungMenu> by bay
     */
    public function live(Copy $live, Visitor $now): array
    {
        $key = \sprintf('frame.%s.%s', $live->release(), $now->signedIn ? 'customer' : 'guest');

        return $this->cache->get($key, function (ItemInterface $item) use ($live, $now): array {
            $frame = $this->of($live, $now);
            $next = array_filter(array_map(static fn (HungMenu $hung): ?\DateTimeImmutable => $hung->menu->nextChange, $frame));
            if (array_filter($frame, static fn (HungMenu $hung): bool => $hung->followsTheCatalogue)) {
                $next[] = $now->moment->modify(self::CATALOGUE_SEEN_AGAIN);
            }
            $item->expiresAt([] === $next ? null : min($next));

            return $frame;
        });
    }

    /**
     * What a visitor would get from either copy at any moment.
     *
     * @return array<string, HungMenu> by bay
     */
    public function of(Copy $copy, Visitor $visitor): array
    {
        $bays = $copy->menus->bays();
        $menuIds = array_values(array_unique(array_filter(array_map(static fn (Bay $bay): ?string => $bay->menuId, $bays))));
        $trees = $copy->menus->trees($menuIds);
        if (\in_array(null, array_map(static fn (Bay $bay): ?string => 'header' === $bay->id ? $bay->menuId : '', $bays), true)) {
            $trees[self::NO_HEADER] = HeaderWithoutMenu::chosen($copy->shop->settings())->tree();
        }
        $places = $copy->places->referredToByMenus($menuIds);
        $candidates = $copy->fillings->candidates($trees, $visitor->moment);
        $frame = [];
        foreach ($bays as $bay) {
            $tree = $trees[$bay->menuId ?? ('header' === $bay->id ? self::NO_HEADER : '')] ?? new Tree();
            $frame[$bay->id] = new HungMenu($bay, Resolver::resolve($tree, $places, $visitor, $candidates), $tree->followsTheCatalogue());
        }
        // A phone's drawer without a menu of its own has the header's.
        if (isset($frame['header'], $frame['drawer']) && null === $frame['drawer']->bay->menuId) {
            $frame['drawer'] = new HungMenu($frame['drawer']->bay, $frame['header']->menu, $frame['header']->followsTheCatalogue);
        }

        return $frame;
    }
}
