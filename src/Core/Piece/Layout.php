<?php

declare(strict_types=1);

namespace Lantern\Core\Piece;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Menu\PlaceTarget;
use Lantern\Core\Menu\Shape;
use Lantern\Core\Refused;

/** What may stand where in the body of a page, in a wide panel and in a column of the footer. */
final readonly class Layout implements Shape
{
    /** How many bands, columns and pieces a page or panel has at most, with the links in them. */
    public const MOST = 500;
    /** Page or panel, band, column, tabs, tab, band, column, carousel, links, and two levels of them. */
    private const DEPTH = 11;
    /** How deep the links of a piece go. */
    private const LINKS = 2;

    /** @param PieceKind $root of what stands on the first level */
    private function __construct(private PieceKind $root)
    {
    }

    /** Bands, one below another. */
    public static function page(): self
    {
        return new self(PieceKind::Band);
    }

    /** One panel with its bands. */
    public static function panel(): self
    {
        return new self(PieceKind::Panel);
    }

    /** One column of the footer with its pieces. */
    public static function column(): self
    {
        return new self(PieceKind::Column);
    }

    public function isPage(): bool
    {
        return PieceKind::Band === $this->root;
    }

    /** Whether it stands around every page. */
    public function isInFrame(): bool
    {
        return !$this->isPage();
    }

    public function maxDepth(): int
    {
        return self::DEPTH;
    }

    public function check(array $entries): void
    {
        $number = 0;
        foreach ($entries as $entry) {
            $kind = self::kindOf($entry);
            if ($this->root !== $kind) {
                throw new Refused('parent', match ($this->root) {
                    PieceKind::Panel => 'What stands in a wide panel stands in its bands.',
                    PieceKind::Column => 'What stands in a column of the footer stands below its line “Column”.',
                    default => \sprintf('A page has bands; %s stands in a column of one of them.', self::named($kind)),
                });
            }
            $this->below($entry, $kind, [], $number);
        }
        if ($this->isInFrame() && \count($entries) > 1) {
            throw new Refused(
                'entry',
                PieceKind::Panel === $this->root
                    ? 'A wide panel is one. Take all of it out by removing the panel itself.'
                    : 'A column of the footer is one. Put pieces into it, or use another column.',
            );
        }
    }

    public static function kindOf(Entry $entry): ?PieceKind
    {
        return $entry->content instanceof Piece ? $entry->content->kind() : null;
    }

    /** @param list<PieceKind> $above */
    private function below(Entry $entry, PieceKind $kind, array $above, int &$number): void
    {
        self::count($number);
        if (PieceKind::Tabs === $kind && \in_array(PieceKind::Tabs, $above, true)) {
            throw new Refused('parent', 'Tabs do not stand within tabs: nobody would know which row to look at. Put them beside or below.');
        }
        if (PieceKind::Product === $kind && !$this->leadsToAPlace($entry)) {
            throw new Refused('target', 'Choose the product that this is to show.');
        }
        if (PieceKind::File === $kind && !$this->leadsToAPlace($entry)) {
            throw new Refused('target', 'Choose the file that this is to offer.');
        }
        $most = match ($kind) {
            PieceKind::Band => Band::COLUMNS,
            PieceKind::Tabs => Tabs::MOST,
            default => null,
        };
        if (null !== $most && \count($entry->children) > $most) {
            throw new Refused(
                'parent',
                PieceKind::Band === $kind
                    ? \sprintf('A band has at most %d columns. Make another band below.', $most)
                    : \sprintf('There are at most %d tabs side by side. Put what is left into one of them.', $most),
            );
        }
        foreach ($entry->children as $child) {
            $childKind = self::kindOf($child);
            if (null === $childKind && $kind->holdsLinks()) {
                $this->links($child, 1, $number);
                continue;
            }
            if (null === $childKind || !$childKind->standsIn($kind)) {
                throw new Refused(
                    'parent',
                    \sprintf('%s does not stand in %s. %s', ucfirst(self::named($childKind)), self::named($kind), self::advice($childKind)),
                );
            }
            $this->below($child, $childKind, [...$above, $kind], $number);
        }
    }

    private function links(Entry $entry, int $level, int &$number): void
    {
        self::count($number);
        if ($level + ($entry->filling->depth ?? 0) > self::LINKS) {
            throw new Refused('parent', \sprintf('The links of a piece have at most %d levels. Put this one further out.', self::LINKS));
        }
        foreach ($entry->children as $child) {
            if (null !== $child->content) {
                throw new Refused('parent', 'Below a link stand links, and no pieces.');
            }
            $this->links($child, $level + 1, $number);
        }
    }

    private function leadsToAPlace(Entry $entry): bool
    {
        return $entry->target instanceof PlaceTarget;
    }

    private static function named(?PieceKind $kind): string
    {
        return match ($kind) {
            null => 'a link',
            PieceKind::Words, PieceKind::Links, PieceKind::Products, PieceKind::Cards, PieceKind::Tabs,
            PieceKind::Product => $kind->words(),
            default => 'a '.$kind->words(),
        };
    }

    private static function advice(?PieceKind $kind): string
    {
        return match ($kind) {
            null => 'Put it into a piece of links.',
            PieceKind::Band => 'Bands stand in the page, in the panel, or in a tab.',
            PieceKind::Column => 'Columns stand in a band.',
            PieceKind::Tab => 'A tab stands in tabs.',
            default => 'Pieces stand in a column.',
        };
    }

    private static function count(int &$number): void
    {
        if (++$number > self::MOST) {
            throw new Refused('entry', \sprintf('A page has at most %d bands, columns and pieces. Put some on another page.', self::MOST));
        }
    }
}
