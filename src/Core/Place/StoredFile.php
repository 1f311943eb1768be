<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

/** The bytes of a file as they are kept. */
final readonly class StoredFile
{
    /**
     * @param string $name below the folder of files; made from the content, so the same bytes are kept once
     * @param int    $size in bytes
     */
    public function __construct(public string $name, public FileType $type, public int $size)
    {
    }

    /** @param array<mixed>|null $stored as `stored` gives it; null where there is no file */
    public static function fromStored(?array $stored): ?self
    {
        $type = FileType::tryFrom(\is_string($stored['type'] ?? null) ? $stored['type'] : '');

        return null === $type || !\is_string($stored['stored'] ?? null) || !\is_int($stored['size'] ?? null)
            ? null
            : new self($stored['stored'], $type, $stored['size']);
    }

    /** @return array{stored: string, type: string, size: int} */
    public function stored(): array
    {
        return ['stored' => $this->name, 'type' => $this->type->value, 'size' => $this->size];
    }
}
