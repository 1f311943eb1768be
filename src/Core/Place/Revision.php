<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** What shall become different about a place. What is null stays as it is. */
final readonly class Revision
{
    public const MAX_SUMMARY = 500;
    /** What a file system takes (POSIX, NAME_MAX, in letters of at most four bytes with room for an ending). */
    public const MAX_DOWNLOAD_NAME = 60;

    public ?string $title;
    public ?string $summary;

    /**
     * @param string|null $picture      name of a picture; empty: none
     * @param string|null $downloadName under which a file is downloaded; empty: the last part of its address
     *
     * @throws Refused
     */
    public function __construct(
        ?string $title = null,
        ?string $summary = null,
        public ?string $picture = null,
        public ?Light $light = null,
        public ?Opening $opening = null,
        public ?Audience $audience = null,
        public ?Closing $closing = null,
        public ?SearchListing $listing = null,
        public ?PlaceParent $standing = null,
        public ?CollectionRule $rule = null,
        public ?Serving $serving = null,
        public ?string $downloadName = null,
    ) {
        $this->title = null === $title ? null : Title::of($title);
        $this->summary = null === $summary ? null : trim((string) preg_replace('/\s+/u', ' ', $summary));
        if (null !== $this->summary && mb_strlen($this->summary) > self::MAX_SUMMARY) {
            throw new Refused(
                'summary',
                \sprintf(
                    'A short description has at most %d characters; this one has %d. Shorten it.',
                    self::MAX_SUMMARY,
                    mb_strlen($this->summary),
                ),
            );
        }
        if (null !== $downloadName && mb_strlen($downloadName) > self::MAX_DOWNLOAD_NAME) {
            throw new Refused(
                'downloadName',
                \sprintf(
                    'A file name has at most %d characters; this one has %d. Shorten it.',
                    self::MAX_DOWNLOAD_NAME,
                    mb_strlen($downloadName),
                ),
            );
        }
        if (null !== $downloadName && 1 === preg_match('#[/\\\\\p{Cc}"]#u', $downloadName)) {
            throw new Refused('downloadName', 'A file name has no slashes, quotation marks or line ends. Leave them out.');
        }
    }

    /** @return non-empty-list<string> what becomes different, in words; “the place” where nothing does */
    public function words(): array
    {
        $isLight = null !== $this->light || null !== $this->opening || null !== $this->audience || null !== $this->closing;

        return array_keys(array_filter([
            'the title' => null !== $this->title,
            'the short description' => null !== $this->summary,
            'the picture' => null !== $this->picture,
            'the light' => $isLight,
            'the search listing' => null !== $this->listing,
            'the stand' => null !== $this->standing,
            'the rule' => null !== $this->rule,
            'the way to open' => null !== $this->serving || null !== $this->downloadName,
        ])) ?: ['the place'];
    }

    /**
     * The place as it would be.
     *
     * @throws Refused where a rule is broken
     */
    public function appliedTo(Place $place, PlaceLookup $places): Place
    {
        if (Light::Closed === $this->light && !$place->kind->mayClose()) {
            throw new Refused(
                'light',
                \sprintf('The %s is always there. Make it quiet to take it out of the menus.', $place->kind->words()),
            );
        }
        if (
            !$place->kind->mayClose()
            && (
                (null !== $this->opening && !$this->opening->isAlways())
                    || (null !== $this->audience && Audience::Everyone !== $this->audience)
            )
        ) {
            throw new Refused(
                'light',
                \sprintf('The %s is always there, for everyone. Its dates and its audience cannot be limited.', $place->kind->words()),
            );
        }
        if (null !== $this->rule && PlaceKind::Collection !== $place->kind) {
            throw new Refused('rule', 'Only a collection is filled by a rule.');
        }
        if (null !== $this->serving && PlaceKind::File !== $place->kind) {
            throw new Refused('serving', 'Only a file can be downloaded.');
        }
        $this->closing?->refuseLoop($place, $places);
        $this->standing?->refuseWhatCannotBe($place->kind, $place, $places);

        return new Place(
            $place->id,
            $place->kind,
            $this->title ?? $place->title,
            $place->address,
            null === $this->standing ? $place->parentId : $this->standing->parentId,
            $this->light ?? $place->light,
            $this->opening ?? $place->opening,
            $this->audience ?? $place->audience,
            $this->closing->answer ?? $place->closedAnswer,
            null === $this->closing ? $place->closedTo : $this->closing->toPlaceId,
            $this->listing ?? $place->listing,
            $this->serving ?? $place->serving,
        );
    }
}
