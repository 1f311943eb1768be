<?php

declare(strict_types=1);

namespace Lantern\Node\Pages;

use Lantern\Core\Place\PlaceKind;
use Lantern\Node\Memory\NodeMemory;
use Lantern\Node\News\Freshness;
use Lantern\Node\News\Mark;

/**
 * Pages that were made once, kept on this node and given again to whoever would get the same, as long as nothing changed
 * that they show (Freshness). They are files, so that they fill no memory that others need, and are still there after a
 * restart. Each address has one of a fixed number of places, which another with the same place pushes out.
 */
final class KeptPages
{
    private const SLOTS = 8192;
    /** A part of a sitemap is the largest. */
    private const MOST_BYTES = 4_000_000;
    private const LOCKS = 256;

    /** For how long somebody waits for a page that another process is making, and how often it looks, in milliseconds. */
    private const WAITS = 3000;
    private const LOOKS_EVERY = 15;

    /** So many processes of a node make pages anew at once, where there is something older to be given: the rest answers. */
    private const MAKERS = 2;
    /** A process that died while it made a frame holds the others back for no longer, in seconds. */
    private const FRAME_TAKES = 15;

    /** @var resource|null that this process is one of the makers */
    private static $maker;

    /** @var resource|null of the page that this process is making; it ends with the process, whatever becomes of that */
    private static $making;

    public function __construct(private readonly string $directory)
    {
    }

    /** Whether pages of a kind are kept: a file is sent from where it is, and a search is another each time. */
    public static function keeps(PlaceKind $kind): bool
    {
        return PlaceKind::File !== $kind && PlaceKind::Search !== $kind;
    }

    public function get(bool $signedIn, string $path): ?KeptPage
    {
        $key = self::key($signedIn, $path);
        $file = @file_get_contents($this->file($key));
        if (false === $file) {
            return null;
        }
        [$head, $body] = explode("\n", $file, 2) + ['', ''];
        $known = json_decode($head, true, 4);
        // What was cut short by a full disk is no page.
        if (!\is_array($known) || ($known['key'] ?? null) !== $key || ($known['bytes'] ?? null) !== \strlen($body)) {
            return null;
        }

        /** @var array{headers: array<string, string>, until: int, epoch: string, clock: int, shows: list<string>} $known */
        return new KeptPage($known['headers'], $body, $known['until'], new Mark($known['epoch'], $known['clock']), $known['shows']);
    }

    public function keep(bool $signedIn, string $path, KeptPage $page): void
    {
        if ('' === $page->made->epoch || \strlen($page->body) > self::MOST_BYTES) {
            return;
        }
        $key = self::key($signedIn, $path);
        $file = $this->file($key);
        $head = json_encode(
            [
                'key' => $key,
                'bytes' => \strlen($page->body),
                'headers' => $page->headers,
                'until' => $page->until,
                'epoch' => $page->made->epoch,
                'clock' => $page->made->clock,
                'shows' => $page->shows,
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE,
        );
        if (!is_dir(\dirname($file))) {
            @mkdir(\dirname($file), 0o775, true);
        }
        // Written aside and put in place at once; on a disk that is full, it is not kept.
        $part = $file.'.'.getmypid();
        if (false === @file_put_contents($part, "$head\n{$page->body}") || !@rename($part, $file)) {
            @unlink($part);
        }
    }

    /**
     * Whether this process is to make a page now: one does so at a time, and until it is done others get what was kept before (RFC 5861,
     * 3), or wait a little where nothing was. Where something was, no more than a few make pages at once, and only one while the frame of
     * a new state is being made, so that the rest of the node goes on answering.
     *
     * @param \Closure(): bool $isThere whether there is something to be given meanwhile, or by now
     */
    public function isToBeMadeHere(bool $signedIn, string $path, \Closure $isThere): bool
    {
        if ($isThere() && !$this->becomesMaker()) {
            return false;
        }
        $lock = $this->lock(self::key($signedIn, $path));
        if (null === $lock) {
            return true;
        }
        for ($waited = 0;; $waited += self::LOOKS_EVERY) {
            if (flock($lock, \LOCK_EX | \LOCK_NB)) {
                self::$making = $lock;

                return true;
            }
            if ($isThere() || $waited >= self::WAITS) {
                self::made();

                return !$isThere();
            }
            usleep(self::LOOKS_EVERY * 1000);
        }
    }

    private function becomesMaker(): bool
    {
        if (NodeMemory::isThere() && apcu_exists('frame.making')) {
            return false;
        }
        for ($n = 0; $n < self::MAKERS; ++$n) {
            $place = $this->open("maker-$n");
            if (null === $place) {
                return true;
            }
            if (flock($place, \LOCK_EX | \LOCK_NB)) {
                self::$maker = $place;

                return true;
            }
            fclose($place);
        }

        return false;
    }

    /** A process of this node makes header and footer of a new state. */
    public static function frameBegins(): void
    {
        if (NodeMemory::isThere()) {
            apcu_store('frame.making', true, self::FRAME_TAKES);
        }
    }

    public static function frameEnds(): void
    {
        if (NodeMemory::isThere()) {
            apcu_delete('frame.making');
        }
    }

    /** The page that was made here is kept, or will not be: whoever waits for it may look. */
    public static function made(): void
    {
        foreach ([self::$making, self::$maker] as $lock) {
            if (null !== $lock) {
                flock($lock, \LOCK_UN);
                fclose($lock);
            }
        }
        self::$making = self::$maker = null;
    }

    /** @return resource|null */
    private function lock(string $key)
    {
        return $this->open('making-'.(crc32($key) % self::LOCKS));
    }

    /** @return resource|null */
    private function open(string $name)
    {
        $file = "{$this->directory}/$name";
        $lock = @fopen($file, 'c');
        if (false === $lock && @mkdir($this->directory, 0o775, true)) {
            $lock = @fopen($file, 'c');
        }

        return false === $lock ? null : $lock;
    }

    private function file(string $key): string
    {
        $slot = crc32($key) % self::SLOTS;

        return \sprintf('%s/%02x/%04x', $this->directory, $slot >> 8, $slot);
    }

    private static function key(bool $signedIn, string $path): string
    {
        return ($signedIn ? 'customer' : 'guest')." $path";
    }
}
