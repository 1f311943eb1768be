<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Menu\Position;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\EntryCodec;
use Lantern\Interchange\Stored\Fields;
use Lantern\Reading\Copies\Copies;
use Symfony\Component\Serializer\Normalizer\DenormalizerInterface;

final readonly class NewEntriesReader implements DenormalizerInterface
{
    private const MOST = 1000;

    public function __construct(private Copies $copies)
    {
    }

    /** @throws Refused naming the field */
    public function denormalize(mixed $data, string $type, ?string $format = null, array $context = []): NewEntries
    {
        $zone = $this->copies->workbench->settings->zone();
        $fields = Fields::of($data, zone: $zone);
        $at = $fields->object('at');
        $entries = $fields->objects('entries');
        if (\count($entries) > self::MOST) {
            throw new Refused('entries', \sprintf('At most %s lines go in in one step. Bring them in parts.', number_format(self::MOST)));
        }
        $panels = [];
        foreach ($fields->mapOr('panels', []) as $id => $panel) {
            $panels[Fields::of(['id' => (string) $id], 'panels')->uuid('id')] = EntryCodec::decode(Fields::of($panel, 'panels', $zone));
        }

        return new NewEntries(
            array_map(EntryCodec::decode(...), $entries),
            $panels,
            new Position($at->uuidOrNull('parentId'), $at->int('index')),
        );
    }

    public function supportsDenormalization(mixed $data, string $type, ?string $format = null, array $context = []): bool
    {
        return NewEntries::class === $type;
    }

    public function getSupportedTypes(?string $format): array
    {
        return [NewEntries::class => true];
    }
}
