<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

use Lantern\Core\Menu\Move;
use Lantern\Interchange\Stored\Fields;
use Lantern\Interchange\Stored\MoveCodec;

/** How a menu gets back to where it was before an edit. */
final readonly class MenuReversal
{
    /** @param int $version of the menu that the edit led to, from where the move leads back */
    public function __construct(public int $version, public Move $move)
    {
    }

    /** @param array<mixed> $stored */
    public static function fromStored(array $stored): self
    {
        $fields = Fields::of($stored);

        return new self($fields->int('version'), MoveCodec::decode($fields->object('inverse')));
    }

    /** @return array<string, mixed> */
    public function stored(): array
    {
        return ['version' => $this->version, 'inverse' => MoveCodec::encode($this->move)];
    }
}
