<?php

declare(strict_types=1);

namespace Lantern\Node\Table;

use Lantern\Reading\Sql\Row;

/** Which files a node's table of addresses is made of, and of which release. */
final readonly class NodeTableState
{
    /**
     * @param string $release     id of the release that base and changes together tell of
     * @param string $base        name of the file of all addresses
     * @param string $changes     name of the file of those that changed since; empty: none did
     * @param string $baseRelease id of the release that base alone tells of
     * @param int    $baseNumber  its number
     * @param int    $size        how many addresses are in base
     */
    public function __construct(
        public string $release,
        public string $base,
        public string $changes,
        public string $baseRelease,
        public int $baseNumber,
        public int $size,
    ) {
    }

    /** As it was written beside the files; null where nothing was, or a file is gone. */
    public static function in(string $directory): ?self
    {
        $written = @file_get_contents("$directory/state.json");
        if (!\is_string($written)) {
            return null;
        }
        $row = new Row(Row::columns($written) ?? []);
        $known = new self(
            $row->text('release'),
            $row->text('base'),
            $row->text('changes'),
            $row->text('baseRelease'),
            $row->int('baseNumber'),
            $row->int('size'),
        );

        return is_file("$directory/{$known->base}") && ('' === $known->changes || is_file("$directory/{$known->changes}")) ? $known : null;
    }

    public function writeTo(string $directory): void
    {
        $name = "$directory/state-".bin2hex(random_bytes(4)).'.part';
        file_put_contents($name, json_encode($this, \JSON_THROW_ON_ERROR));
        rename($name, "$directory/state.json");
    }

    public function withChanges(string $release, string $changes): self
    {
        return new self($release, $this->base, $changes, $this->baseRelease, $this->baseNumber, $this->size);
    }
}
