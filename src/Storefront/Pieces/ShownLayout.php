<?php

declare(strict_types=1);

namespace Lantern\Storefront\Pieces;

use Lantern\Core\Menu\ResolvedEntry;
use Lantern\Core\Piece\ForDrawer;
use Lantern\Core\Piece\Panel;
use Lantern\Core\Piece\PieceKind;
use Lantern\Core\Piece\ResolvedPiece;
use Lantern\Core\Piece\Tab;
use Lantern\Core\Piece\Title;
use Lantern\Reading\Catalogue\Card;

/** What a template needs to show a page's body or a wide panel. */
final readonly class ShownLayout
{
    /** @var array<string, int> by piece */
    private array $levels;

    /**
     * @param list<ResolvedPiece>  $pieces
     * @param array<string, Card>  $cards  by place
     * @param array<string, string> $words  HTML by piece, as it is shown to this visitor
     * @param array<string, string> $details of the shop, by name
     */
    public function __construct(public array $pieces, public array $cards, public array $words, public array $details = [])
    {
        $levels = [];
        // A page has its title above; a wide panel stands in the header, where no title is.
        self::walk($pieces, ($pieces[0] ?? null)?->piece instanceof Panel ? 2 : 1, $levels);
        $this->levels = $levels;
    }

    /** The level of the headings within a piece, so that none is left out on the way down (WCAG 2.2, technique H42). */
    public function levelOf(ResolvedPiece $piece): int
    {
        return $this->levels[$piece->id] ?? 3;
    }

    /**
     * @param list<ResolvedPiece> $pieces
     * @param int                 $above  level of the heading that stands above them
     * @param array<string, int>  $levels
     *
     * @return int level of the last heading
     */
    private static function walk(array $pieces, int $above, array &$levels): int
    {
        foreach ($pieces as $piece) {
            $levels[$piece->id] = min($above + 1, 6);
            if ($piece->piece instanceof Title) {
                $above = $piece->piece->level;
            } elseif ($piece->piece instanceof Tab) {
                self::walk($piece->children, min($above + 1, 6), $levels);
            } else {
                $above = self::walk($piece->children, $above, $levels);
            }
        }

        return $above;
    }

    /**
     * Its headings and links as a plain list, for where there is no room for columns; a piece that says so stands among them as it is.
     *
     * @return list<ResolvedEntry|ResolvedPiece> entries without children
     */
    public function links(): array
    {
        $links = [];
        foreach ($this->pieces as $piece) {
            foreach ($piece->all() as $one) {
                $links = [...$links, ...($one->piece instanceof ForDrawer && $one->piece->isInDrawer() ? [$one] : $this->linksOf($one))];
            }
        }

        return $links;
    }

    /** @return list<ResolvedEntry> */
    private function linksOf(ResolvedPiece $piece): array
    {
        $one = static fn (
            string $label,
            ?string $href,
            ?string $placeId = null,
            bool $newTab = false,
        ): ResolvedEntry => new ResolvedEntry($piece->id, $label, $href, $placeId, $newTab, []);

        return match ($piece->kind()) {
            PieceKind::Heading, PieceKind::Tab => [$one($piece->label, $piece->href, $piece->place?->id, $piece->newTab)],
            PieceKind::Button, PieceKind::File, PieceKind::Product => [$one(
                $piece->label,
                $piece->href,
                $piece->place?->id,
                $piece->newTab,
            )],
            PieceKind::Links => array_merge(...array_map(
                static fn (ResolvedEntry $link): array => [$link, ...$link->children],
                $piece->links,
            )),
            PieceKind::Products, PieceKind::Cards => array_map(
                static fn (Card $card): ResolvedEntry => $one($card->place->title, $card->place->address->encoded(), $card->place->id),
                $this->cardsOf($piece),
            ),
            default => [],
        };
    }

    /**
     * The cards of a piece, in its order.
     *
     * @return list<Card>
     */
    public function cardsOf(ResolvedPiece $piece): array
    {
        return array_values(array_filter(array_map(fn (string $id): ?Card => $this->cards[$id] ?? null, $piece->placeIds)));
    }
}
