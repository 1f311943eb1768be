<?php

declare(strict_types=1);

namespace Lantern\Workbench\Edits;

/** Tells how far long work is, to whoever waits for it: at each step, and not more often than worth telling. */
final class Progress
{
    private const EVERY = 2000;

    private string $step = '';
    private int $done = 0;
    private int $of = 0;
    private int $told = 0;

    /** @param \Closure(string, int, int): void|null $tell the step, how many are done, of how many */
    public function __construct(private readonly ?\Closure $tell = null)
    {
    }

    public function enter(string $step, int $of): void
    {
        [$this->step, $this->done, $this->of, $this->told] = [$step, 0, $of, 0];
        $this->tell();
    }

    /** @param bool $tell whether it is worth telling, however little it is */
    public function advance(int $by = 1, bool $tell = false): void
    {
        $this->done += $by;
        if ($tell || $this->done - $this->told >= self::EVERY || $this->done === $this->of) {
            $this->told = $this->done;
            $this->tell();
        }
    }

    private function tell(): void
    {
        if (null !== $this->tell && $this->of > 0) {
            ($this->tell)($this->step, $this->done, $this->of);
        }
    }
}
