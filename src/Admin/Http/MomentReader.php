<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Core\Moment;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Symfony\Component\Serializer\Exception\NotNormalizableValueException;
use Symfony\Component\Serializer\Normalizer\DenormalizerInterface;

/** Reads the moments of an input, strictly: what says no offset is meant in the time zone of the shop. */
final readonly class MomentReader implements DenormalizerInterface
{
    public function __construct(private Copies $copies)
    {
    }

    public function denormalize(mixed $data, string $type, ?string $format = null, array $context = []): ?\DateTimeImmutable
    {
        if ('' === $data) {
            return null;
        }
        $path = $context['deserialization_path'] ?? null;
        $path = \is_string($path) ? $path : 'at';
        try {
            return Moment::parse(\is_string($data) ? $data : '', $path, $this->copies->workbench->settings->zone());
        } catch (Refused $refused) {
            throw NotNormalizableValueException::createForUnexpectedDataType(
                $refused->getMessage(),
                $data,
                [\DateTimeImmutable::class],
                $path,
                true,
            );
        }
    }

    public function supportsDenormalization(mixed $data, string $type, ?string $format = null, array $context = []): bool
    {
        return \DateTimeImmutable::class === $type;
    }

    public function getSupportedTypes(?string $format): array
    {
        return [\DateTimeImmutable::class => true];
    }
}
