<?php

declare(strict_types=1);

namespace Lantern\Reading\Answers;

use Lantern\Core\Address\Address;
use Lantern\Core\Redirect\ExportedRedirect;
use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Redirects\RedirectTable;
use Psr\Clock\ClockInterface;

/**
 * The redirects of a copy as a server needs them that answers without the shop: each with the end of its trail, and without those behind a
 * place.
 */
final readonly class StraightRedirects
{
    private const AT_ONCE = 500;

    public function __construct(private RedirectTable $table, private Copies $copies, private ClockInterface $clock)
    {
    }

    /** @return \Generator<int, ExportedRedirect> by source */
    public function all(CopyName $copy): \Generator
    {
        $some = [];
        foreach ($this->table->all($copy) as $redirect) {
            $some[] = $redirect;
            if (\count($some) >= self::AT_ONCE) {
                yield from $this->straight($copy, $some);
                $some = [];
            }
        }
        yield from $this->straight($copy, $some);
    }

    /**
     * @param list<ExportedRedirect> $redirects
     *
     * @return \Generator<int, ExportedRedirect>
     */
    private function straight(CopyName $copy, array $redirects): \Generator
    {
        $answerer = OwnAddresses::answerer(
            $this->copies->get($copy),
            array_map(static fn (ExportedRedirect $one): Address => $one->rule->source, $redirects),
        );
        $guest = Visitor::guest($this->clock->now());
        foreach ($redirects as $redirect) {
            if ($redirect->rule->prefix) {
                yield $redirect;
                continue;
            }
            $answer = $answerer->answer($redirect->rule->source->encoded(), $guest);
            if (null !== $answer->location && \in_array($answer->status, [301, 308], true)) {
                yield new ExportedRedirect($redirect->rule, $answer->location, $redirect->note);
            }
        }
    }
}
