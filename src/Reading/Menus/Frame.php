<?php

declare(strict_types=1);

namespace Lantern\Reading\Menus;

use Lantern\Core\Menu\Bay;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Pieces\LaidOut;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;

/** The menus around every page of the shop, as one visitor gets them. */
final readonly class Frame
{
    private const NO_HEADER = 'header';

    public function __construct(#[Autowire(service: 'cache.resolved')] private CacheInterface $cache)
    {
    }

    /**
     * What visitors get now from a copy. It is kept under the version of all that it shows until a date could change it,
     * and never for long: each edit, and each release, makes another one.
     *
     * @return array<string, HungMenu> by bay
     */
    public function kept(Copy $copy, Visitor $now): array
    {
        return $this->cache->get(\sprintf('frame.%s.%s', $copy->frameVersion(), $now->signedIn ? 'customer' : 'guest'), function (ItemInterface $item) use ($copy, $now): array {
            $item->expiresAt($copy->keptUntil($now->moment));

            return $this->of($copy, $now);
        });
    }

    /**
     * The wide panels of the header, kept like the menus.
     *
     * @return array<string, LaidOut> by the entry that they open below; only those of which something is left
     */
    public function keptPanels(Copy $copy, Visitor $now): array
    {
        return $this->cache->get(\sprintf('panels.%s.%s', $copy->frameVersion(), $now->signedIn ? 'customer' : 'guest'), function (ItemInterface $item) use ($copy, $now): array {
            $item->expiresAt($copy->keptUntil($now->moment));

            return $this->panels($copy, $now);
        });
    }

    /** @return array<string, LaidOut> the same, of either copy at any moment */
    public function panels(Copy $copy, Visitor $visitor): array
    {
        $header = array_values(array_filter(array_map(static fn (Bay $bay): ?string => 'header' === $bay->id ? $bay->menuId : null, $copy->menus->bays())));

        return array_filter([] === $header ? [] : $copy->layouts->panels($copy->layouts->panelsIn(...$header), $visitor), static fn (LaidOut $panel): bool => [] !== $panel->layout->pieces);
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
            $trees[self::NO_HEADER] = HeaderWithoutMenu::chosen($copy->settings->all()->values)->tree();
        }
        $places = $copy->places->referredToByMenus($menuIds);
        $candidates = $copy->fillings->candidates($trees, $visitor->moment);
        $frame = [];
        foreach ($bays as $bay) {
            $tree = $trees[$bay->menuId ?? ('header' === $bay->id ? self::NO_HEADER : '')] ?? new Tree();
            $frame[$bay->id] = new HungMenu($bay, Resolver::resolve($tree, $places, $visitor, $candidates));
        }
        // A phone's drawer without a menu of its own has the header's.
        if (isset($frame['header'], $frame['drawer']) && null === $frame['drawer']->bay->menuId) {
            $frame['drawer'] = new HungMenu($frame['drawer']->bay, $frame['header']->menu);
        }

        return $frame;
    }
}
