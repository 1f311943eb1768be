<?php

declare(strict_types=1);

namespace Lantern\Node\Table;

use Lantern\Core\Address\Address;
use Lantern\Node\Look\FirstLook;
use Lantern\Node\Look\Neighbourhood;
use Lantern\Node\Memory\NodeMemory;
use Lantern\Node\News\News;
use Lantern\Reading\Sql\Row;

/**
 * The addresses of the latest release, kept on this node as constant databases (cdb) that are looked
 * into without asking PostgreSQL: what stands at each, and where its redirect leads. Where no date and
 * no visitor makes a difference, the end of the redirect was worked out when the table was made. That is
 * when a node first needs it; after a release only what that changed is written beside it, until so much
 * has changed that it is made anew. A node without APCu or the extension dba does without, and asks.
 */
final class NodeTable
{
    /** For how long the files that were found to be the latest are taken for that, in seconds. */
    private const SEEN_AGAIN = 1;
    private const MOST_SECONDS_TO_MAKE = 600;
    private const SECONDS_AN_OLD_FILE_STAYS = 60;

    public function __construct(private readonly FirstLook $look, private readonly News $news, private readonly string $directory)
    {
    }

    public static function isPossible(): bool
    {
        return \function_exists('dba_popen') && NodeMemory::isThere();
    }

    /** The node that published looks at once; the others do so within two seconds. */
    public static function forgetRelease(): void
    {
        if (NodeMemory::isThere()) {
            apcu_delete('table.sure');
            News::expected();
        }
    }

    /**
     * Where a redirect leads that leads there at any time, for anybody.
     *
     * @param string $path an address in normal form
     *
     * @return Hop|null null where more has to be known
     */
    public function hop(string $path): ?Hop
    {
        $value = $this->value($path);
        if (null === $value || NodeTableWriter::HOP !== $value[0]) {
            return null;
        }

        return new Hop((int) substr($value, 1, 3), substr($value, 5));
    }

    /** What is known of an address; null where this node cannot tell, and the database has to be asked. */
    public function at(Address $address): ?Neighbourhood
    {
        $value = $this->value($address->path);
        if (null === $value || '{' !== $value[0]) {
            return null;
        }
        /** @var array{p?: array<string, mixed>, r?: array<string, mixed>, g?: string} $known */
        $known = json_decode($value, true, 8, \JSON_THROW_ON_ERROR);
        $goal = isset($known['g']) ? $this->value('#'.$known['g']) : null;

        return Neighbourhood::of($address, $known['p'] ?? null, $known['r'] ?? null, Row::columns($goal));
    }

    /** Makes the table, or adds what changed, where it is not of the latest release; one process at a time. */
    public function keepUp(): void
    {
        $version = self::isPossible() ? $this->news->latest() : null;
        if (null === $version || '' === $version->release || News::isAway()) {
            return;
        }
        $files = apcu_fetch('table.files');
        if (\is_string($files) && str_starts_with($files, "{$version->release} ")) {
            return;
        }
        if (!is_dir($this->directory)) {
            @mkdir($this->directory, 0o775, true);
        }
        // It ends with the process, whatever becomes of that.
        $lock = @fopen("{$this->directory}/making", 'c');
        if (false === $lock || !flock($lock, \LOCK_EX | \LOCK_NB)) {
            return;
        }
        try {
            set_time_limit(self::MOST_SECONDS_TO_MAKE);
            $state = $this->latest($version->release, $version->number);
            apcu_store('table.files', self::named($state));
            $this->tidy($state);
        } finally {
            fclose($lock);
        }
    }

    private function latest(string $release, int $number): NodeTableState
    {
        // Files outlive the memory of the node.
        $state = NodeTableState::in($this->directory);
        if ($state?->release === $release) {
            return $state;
        }
        $writer = new NodeTableWriter($this->look->connection(), $this->directory);
        $state = (null === $state ? null : $writer->changesSince($state, $release, $number)) ?? $writer->all();
        $state->writeTo($this->directory);

        return $state;
    }

    /** The value of a key as it was written; null where there is none, or no table of the latest release. */
    private function value(string $key): ?string
    {
        $files = self::isPossible() ? $this->files() : null;
        foreach ($files ?? [] as $file) {
            $handle = @dba_popen("{$this->directory}/$file", 'r-', 'cdb');
            $value = false === $handle ? false : dba_fetch($key, $handle);
            if (\is_string($value)) {
                return NodeTableWriter::REMOVED === $value ? null : $value;
            }
        }

        return null;
    }

    /** @return list<string>|null the files of the latest release, what changed last before the rest; null where there are none */
    private function files(): ?array
    {
        $sure = apcu_fetch('table.sure');
        if (!\is_string($sure)) {
            $files = apcu_fetch('table.files');
            if (!\is_string($files)) {
                // The files outlive the memory of the node: after a restart they are there before anything else.
                $state = NodeTableState::in($this->directory);
                $files = null === $state ? null : self::named($state);
                apcu_store('table.files', $files ?? '');
            }
            $release = $this->news->latest()?->release;
            if (null === $files || '' === $files || null !== $release && !str_starts_with($files, "$release ") && !News::isAway()) {
                return null;
            }
            $sure = substr($files, (int) strpos($files, ' ') + 1);
            apcu_store('table.sure', $sure, self::SEEN_AGAIN);
        }
        [$base, $changes] = explode(' ', $sure) + ['', ''];

        return '' === $changes ? [$base] : [$changes, $base];
    }

    private static function named(NodeTableState $state): string
    {
        return "{$state->release} {$state->base} {$state->changes}";
    }

    /** Takes away the files of earlier releases, and those of a process that was ended; processes that have one open may go on reading. */
    private function tidy(NodeTableState $state): void
    {
        foreach (glob("{$this->directory}/*.{cdb,part}", \GLOB_BRACE) ?: [] as $file) {
            if (
                !\in_array(basename($file), [$state->base, $state->changes], true)
                && filemtime($file) < time() - self::SECONDS_AN_OLD_FILE_STAYS
            ) {
                @unlink($file);
            }
        }
    }
}
