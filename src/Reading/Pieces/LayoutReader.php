<?php

declare(strict_types=1);

namespace Lantern\Reading\Pieces;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Filter\Filters;
use Lantern\Core\Filter\Narrowing;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Tree;
use Lantern\Core\Piece\Band;
use Lantern\Core\Piece\Cards;
use Lantern\Core\Piece\LayoutResolver;
use Lantern\Core\Piece\OneProduct;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\Picture;
use Lantern\Core\Piece\Products;
use Lantern\Core\Piece\ProductSource;
use Lantern\Core\Piece\SignUp;
use Lantern\Core\Piece\Supplies;
use Lantern\Core\Place\PlaceKind;
use Lantern\Core\Visitor;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\PieceCodec;
use Lantern\Reading\Catalogue\Card;
use Lantern\Reading\Catalogue\PieceProducts;
use Lantern\Reading\Catalogue\ShopReader;
use Lantern\Reading\Catalogue\WantedProducts;
use Lantern\Reading\Menus\FillingReader;
use Lantern\Reading\Menus\MenuReader;
use Lantern\Reading\Places\PlaceConditions;
use Lantern\Reading\Places\PlaceReader;
use Lantern\Reading\Settings\SettingReader;
use Lantern\Reading\Sql\PgArray;

/** What is laid out in one copy: the bodies of pages, and wide panels. */
final readonly class LayoutReader
{
    public function __construct(
        private Connection $connection,
        private MenuReader $menus,
        private PlaceReader $places,
        private FillingReader $fillings,
        private ShopReader $shop,
        private PieceProducts $products,
        private SettingReader $settings,
    ) {
    }

    /** The body of a page; null where it has only words. */
    public function ofPage(string $placeId, Visitor $visitor): ?LaidOut
    {
        $tree = $this->menus->tree($placeId);

        return null === $tree->shape || [] === $tree->entries ? null : $this->laidOut([$placeId => $tree], $visitor)[$placeId];
    }

    /** @return list<string> ids of the entries of menus that have a wide panel */
    public function panelsIn(string ...$menuIds): array
    {
        return array_values(array_filter($this->connection->fetchFirstColumn(<<<'SQL'
            SELECT m.id FROM menu m JOIN entry e ON e.id = m.id WHERE m.kind = 'panel' AND e.menu_id IN (?)
            SQL, [$menuIds], [ArrayParameterType::STRING]), \is_string(...)));
    }

    /**
     * @param list<string> $entryIds
     *
     * @return array<string, LaidOut> by the entry that they open below
     */
    public function panels(array $entryIds, Visitor $visitor): array
    {
        return [] === $entryIds ? [] : $this->laidOut($this->menus->trees($entryIds), $visitor);
    }

    /** A sign-up that is there, wherever it stands; null where there is none. */
    public function signUp(string $entryId): ?SignUp
    {
        $found = $this->connection->fetchOne(<<<'SQL'
            SELECT piece FROM entry WHERE id = ? AND enabled AND piece ->> 'kind' = 'sign-up'
            SQL, [$entryId]);
        $piece = \is_string($found) ? PieceCodec::decode(Fields::of(json_decode($found, true))) : null;

        return $piece instanceof SignUp ? $piece : null;
    }

    /**
     * @param list<string> $ids of columns of pieces
     *
     * @return array<string, LaidOut> by the column; only those of which something is left
     */
    public function columns(array $ids, Visitor $visitor): array
    {
        return [] === $ids
            ? []
            : array_filter(
                $this->laidOut($this->menus->trees($ids), $visitor),
                static fn (LaidOut $column): bool => [] !== $column->layout->pieces,
            );
    }

    /**
     * What the shop has for each of several layouts.
     *
     * @param array<string, Tree> $trees
     *
     * @return array{Supplies, array<string, Card>, list<string>} with the cards that were read on the way, and what else would make another
     *            of it
     */
    public function supplies(array $trees, Visitor $visitor): array
    {
        $placeIds = $pictures = [];
        foreach ($trees as $tree) {
            $placeIds = [...$placeIds, ...$tree->placeIds()];
        }
        $places = $this->places->byIds(array_values(array_unique($placeIds)));
        $wanted = $children = $cards = $lists = [];
        foreach ($trees as $tree) {
            foreach ($tree->all() as $entry) {
                $piece = $entry->content;
                $target = $entry->target instanceof PlaceTarget ? $entry->target : null;
                $place = $places[$target->placeId ?? ''] ?? null;
                if ($piece instanceof Picture) {
                    $pictures[] = $piece->name;
                    // Where it is somebody's file, that may close.
                    if (str_starts_with($piece->name, 'uploads/')) {
                        $lists[] = 'others';
                    }
                } elseif ($piece instanceof Band || $piece instanceof Panel) {
                    $pictures[] = $piece->ground->picture;
                } elseif (
                    $piece instanceof Products
                    && ProductSource::Hand !== $piece->source
                    && (ProductSource::Place !== $piece->source || null !== $place)
                ) {
                    $wanted[$entry->id] = new WantedProducts(
                        $piece,
                        ProductSource::Place === $piece->source ? $place : null,
                        $target->narrowing ?? new Narrowing(),
                    );
                    if (PlaceKind::Category !== $place?->kind) {
                        $lists[] = 'products';
                    }
                } elseif ($piece instanceof Cards && $piece->ofChildren && null !== $place && null !== $kind = $place->kind->hasBelow()) {
                    $below = $this->shop->below($place->id, $visitor, $kind);
                    $children[$entry->id] = array_map(static fn (Card $card) => $card->place, $below);
                    $cards += array_combine(array_column($children[$entry->id], 'id'), $below);
                    $lists[] = $place->id;
                }
            }
        }

        $found = $this->products->chosen($wanted, Filters::of($this->settings->all()->values), $visitor);

        return [
            new Supplies(
                $places,
                $this->fillings->candidates($trees, $visitor->moment),
                $found->ids,
                $children,
                $this->thatAreThere(array_values(array_filter($pictures, \is_string(...))), $visitor),
                $this->settings->all()->values,
            ),
            $cards,
            array_values(array_unique([...$lists, ...$found->within])),
        ];
    }

    /**
     * @param array<string, Tree> $trees
     *
     * @return array<string, LaidOut>
     */
    private function laidOut(array $trees, Visitor $visitor): array
    {
        [$supplies, $cards, $lists] = $this->supplies($trees, $visitor);
        $layouts = array_map(static fn (Tree $tree) => LayoutResolver::resolve($tree, $supplies, $visitor), $trees);
        $wanted = [];
        foreach ($layouts as $layout) {
            foreach ($layout->all() as $piece) {
                $wanted = [
                    ...$wanted,
                    ...$piece->placeIds,
                    ...($piece->piece instanceof OneProduct && null !== $piece->place ? [$piece->place->id] : []),
                ];
            }
        }
        $cards += $this->shop->cardsOf(array_values(array_diff(array_unique($wanted), array_keys($cards))), $visitor);

        return array_map(static fn ($layout): LaidOut => new LaidOut($layout, $cards, $lists), $layouts);
    }

    /**
     * The pictures that ship with the shop are always there; an uploaded one is as long as this visitor gets it.
     *
     * @param list<string> $names
     *
     * @return array<string, true>
     */
    private function thatAreThere(array $names, Visitor $visitor): array
    {
        $uploaded = array_values(array_filter($names, static fn (string $name): bool => str_starts_with($name, 'uploads/')));
        $there = array_values(array_filter($names, static fn (string $name): bool => '' !== $name && !str_starts_with($name, 'uploads/')));
        if ([] !== $uploaded) {
            $there = [
                ...$there,
                ...array_filter(
                    $this->connection->fetchFirstColumn(
                        "SELECT p.file ->> 'stored' FROM place p WHERE p.kind = 'file' AND ".PlaceConditions::OPENS
                            ." AND p.file ->> 'stored' = ANY (CAST(:names AS text[]))",
                        ['names' => PgArray::of($uploaded)] + PlaceConditions::visitor($visitor),
                    ),
                    \is_string(...),
                ),
            ];
        }

        return array_fill_keys($there, true);
    }
}
