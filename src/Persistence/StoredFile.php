<?php

declare(strict_types=1);

namespace Lantern\Persistence;

use Lantern\Core\Place\FileType;

/** The bytes of a file as they are kept. */
final readonly class StoredFile
{
    /** @param string $name below the folder of files; made from the content, so the same bytes are kept once */
    public function __construct(public string $name, public FileType $type, public int $size)
    {
    }

    /** @return array{stored: string, type: string, size: int} */
    public function toArray(): array
    {
        return ['stored' => $this->name, 'type' => $this->type->value, 'size' => $this->size];
    }
}
