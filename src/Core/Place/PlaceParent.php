<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** Below which other place one stands: a page in its group, a category below another, an article in the journal. */
final readonly class PlaceParent
{
    private const MAX_LEVELS = 20;

    public function __construct(public ?string $parentId)
    {
    }

    /** @throws Refused where a place of this kind cannot stand there, or would stand below itself */
    public function refuseWhatCannotBe(PlaceKind $kind, ?Place $itself, PlaceLookup $places): void
    {
        if (null === $this->parentId) {
            return;
        }
        $parent = $places->get($this->parentId) ?? throw new Refused('parent', 'The place above is no longer there. Choose another one.');
        $wanted = $kind->standsBelow();
        if ($parent->id === $itself?->id) {
            throw new Refused('parent', \sprintf('“%s” cannot stand below itself. Choose another place above it.', $parent->title));
        }
        if ($parent->kind !== $wanted) {
            throw new Refused(
                'parent',
                null === $wanted
                    ? \sprintf('A %s stands below no other place.', $kind->words())
                    : \sprintf(
                        'A %s stands below a %s; “%s” is a %s.',
                        $kind->words(),
                        $wanted->words(),
                        $parent->title,
                        $parent->kind->words(),
                    ),
            );
        }
        $above = $parent;
        for ($level = 0; null !== $above->parentId && $level < self::MAX_LEVELS; ++$level) {
            if ($above->parentId === $itself?->id) {
                throw new Refused(
                    'parent',
                    \sprintf(
                        '“%s” stands below “%s” already, so “%2$s” cannot stand below it. Choose another place above it.',
                        $parent->title,
                        $itself->title,
                    ),
                );
            }
            $above = $places->get($above->parentId) ?? throw new Refused('parent', 'A place above is no longer there. Choose another one.');
        }
        if (self::MAX_LEVELS === $level) {
            throw new Refused('parent', \sprintf('Places stand at most %d levels deep. Choose one further up.', self::MAX_LEVELS));
        }
    }
}
