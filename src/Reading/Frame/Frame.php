<?php

declare(strict_types=1);

namespace Lantern\Reading\Frame;

use Lantern\Core\Menu\Bay;
use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\FillingSource;
use Lantern\Core\Menu\HeaderWithoutMenu;
use Lantern\Core\Menu\HungMenu;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Resolver;
use Lantern\Core\Menu\SelfFilling;
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
    /** For the database: bays `b` at the foot of every page, its last line included. */
    public const AT_THE_FOOT = "(b.id LIKE 'footer-%' OR b.id = '".Bay::LAST_LINE."')";
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
        return $this->cache->get(\sprintf(
            'frame.%s.%s',
            $copy->frameVersion(),
            $now->signedIn ? 'customer' : 'guest',
        ), function (ItemInterface $item) use ($copy, $now): array {
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
        return $this->cache->get(\sprintf(
            'panels.%s.%s',
            $copy->frameVersion(),
            $now->signedIn ? 'customer' : 'guest',
        ), function (ItemInterface $item) use ($copy, $now): array {
            $item->expiresAt($copy->keptUntil($now->moment));

            return $this->panels($copy, $now);
        });
    }

    /** @return array<string, LaidOut> the same, of either copy at any moment */
    public function panels(Copy $copy, Visitor $visitor): array
    {
        $header = array_values(array_filter(array_map(
            static fn (Bay $bay): ?string => 'header' === $bay->id ? $bay->menuId : null,
            $copy->menus->bays(),
        )));

        return array_filter(
            [] === $header ? [] : $copy->layouts->panels($copy->layouts->panelsIn(...$header), $visitor),
            static fn (LaidOut $panel): bool => [] !== $panel->layout->pieces,
        );
    }

    /**
     * The columns of pieces that hang in the footer, kept like the menus.
     *
     * @return array<string, LaidOut> by bay; only those of which something is left
     */
    public function keptColumns(Copy $copy, Visitor $now): array
    {
        return $this->cache->get(\sprintf(
            'columns.%s.%s',
            $copy->frameVersion(),
            $now->signedIn ? 'customer' : 'guest',
        ), function (ItemInterface $item) use ($copy, $now): array {
            $item->expiresAt($copy->keptUntil($now->moment));

            return $this->columns($copy, $now);
        });
    }

    /** @return array<string, LaidOut> the same, of either copy at any moment */
    public function columns(Copy $copy, Visitor $visitor): array
    {
        $columns = $copy->menus->columns();
        $hung = array_filter($copy->menus->bays(), static fn (Bay $bay): bool => isset($columns[$bay->menuId ?? '']));
        $laidOut = $copy->layouts->columns(
            array_values(array_unique(array_map(static fn (Bay $bay): string => (string) $bay->menuId, $hung))),
            $visitor,
        );
        $byBay = [];
        foreach ($hung as $bay) {
            if (isset($laidOut[$bay->menuId ?? ''])) {
                $byBay[$bay->id] = $laidOut[$bay->menuId ?? ''];
            }
        }

        return $byBay;
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
        foreach ($bays as $bay) {
            if ($bay->fills && null !== $bay->beside) {
                $trees[$bay->id] = self::pagesOf($bay->beside);
                $places += $copy->places->byIds([$bay->beside]);
            }
        }
        // What is laid out in pieces is none of the menus.
        $trees = array_filter($trees, static fn (Tree $tree): bool => null === $tree->shape);
        $candidates = $copy->fillings->candidates($trees, $visitor->moment);
        $frame = [];
        foreach ($bays as $bay) {
            $tree = $trees[$bay->fills ? $bay->id : $bay->menuId ?? ('header' === $bay->id ? self::NO_HEADER : '')] ?? new Tree();
            $frame[$bay->id] = new HungMenu($bay, Resolver::resolve($tree, $places, $visitor, $candidates));
        }
        // A phone's drawer without a menu of its own has the header's.
        if (isset($frame['header'], $frame['drawer']) && null === $frame['drawer']->bay->menuId) {
            $frame['drawer'] = new HungMenu($frame['drawer']->bay, $frame['header']->menu);
        }

        return $frame;
    }

    /** A page group with its pages, as a bay beside these shows them by itself. */
    private static function pagesOf(string $groupId): Tree
    {
        return new Tree([new Entry(
            $groupId,
            new PlaceTarget($groupId),
            null,
            [],
            filling: new SelfFilling(FillingSource::Pages, $groupId),
        )]);
    }
}
