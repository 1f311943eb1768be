<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Menu\ResolvedMenu;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Visitor;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Cache\ItemInterface;

/** The menus around every page of the shop, as one visitor gets them. */
final readonly class Frame
{
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
        $places = $copy->places->referredToByMenus($menuIds);
        $frame = [];
        foreach ($bays as $bay) {
            $menu = null === $bay->menuId ? new ResolvedMenu([], [], null) : Resolver::resolve($trees[$bay->menuId], $places, $visitor);
            $frame[$bay->id] = new HungMenu($bay, $menu);
        }

        return $frame;
    }
}
