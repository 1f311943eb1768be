<?php

declare(strict_types=1);

namespace Lantern\Admin\Menu;

use Lantern\Core\Menu\Move;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\MoveCodec;
use Lantern\Reading\Copies\Copies;
use Symfony\Component\Serializer\Normalizer\DenormalizerInterface;

/** Reads a move out of a body in the shape in which moves are kept, too (see MoveInput). */
final readonly class MoveReader implements DenormalizerInterface
{
    public function __construct(private Copies $copies)
    {
    }

    /** @throws \Lantern\Core\Refused naming the field */
    public function denormalize(mixed $data, string $type, ?string $format = null, array $context = []): Move
    {
        return MoveCodec::decode(Fields::of($data, zone: $this->copies->workbench->settings->zone()));
    }

    public function supportsDenormalization(mixed $data, string $type, ?string $format = null, array $context = []): bool
    {
        return Move::class === $type;
    }

    public function getSupportedTypes(?string $format): array
    {
        return [Move::class => true];
    }
}
