<?php

declare(strict_types=1);

namespace Lantern\Core\Redirect;

use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Moment;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;

/**
 * Judges redirects that somebody typed or brought in a file, line by line: the good ones go in, each of
 * the others says why not. A sheet that is brought twice changes nothing the second time.
 */
final class Sheet
{
    /** @var array<string, array{JudgedLine, Rule}> good lines by what they redirect */
    private array $good = [];
    /** @var array<int, JudgedLine> by the order of the lines */
    private array $judged = [];
    /** @var array<string, string> titles of places, by id */
    private array $titles;

    /**
     * @param string               $origin of the shop, such as https://shop.example, without a slash at the end
     * @param array<string, Place> $places those at the sources and targets, by address
     * @param RuleTable            $known  the shop's redirects that have to do with these
     */
    private function __construct(
        private readonly string $origin,
        private readonly array $places,
        private readonly RuleTable $known,
        private readonly \DateTimeImmutable $moment,
        private readonly \DateTimeZone $zone,
    ) {
        $this->titles = array_column($places, 'title', 'id');
    }

    /**
     * @param list<SheetLine>      $lines
     * @param array<string, Place> $places
     * @param (\Closure(): void)|null $eachLine called when a line was judged
     * @param \DateTimeZone        $zone   of the shop, in which its days begin and end
     */
    public static function judge(
        array $lines,
        string $origin,
        array $places,
        RuleTable $known,
        \DateTimeImmutable $moment,
        ?\Closure $eachLine = null,
        \DateTimeZone $zone = new \DateTimeZone('UTC'),
    ): Judgement {
        $sheet = new self($origin, $places, $known, $moment, $zone);
        foreach ($lines as $n => $line) {
            $sheet->judged[$n] = $sheet->judged($n, $line);
            if (null !== $eachLine) {
                $eachLine();
            }
        }
        $sheet->refuseLoops();

        return $sheet->judgement();
    }

    /**
     * The address that a source or target means, as it has to be known before a sheet is judged; null
     * where it is none of this shop.
     */
    public static function address(string $typed, string $origin): ?Address
    {
        try {
            return Address::parse(explode('?', rtrim(self::within($typed, $origin), '*'), 2)[0]);
        } catch (BadAddress) {
            return null;
        }
    }

    private function judged(int $n, SheetLine $line): JudgedLine
    {
        try {
            $rule = $this->rule($n, $line);
        } catch (BadAddress $bad) {
            return new JudgedLine(
                $line,
                LineOutcome::Refused,
                $bad->getMessage(),
                field: null === self::address($line->source, $this->origin) ? 'source' : 'target',
            );
        } catch (Refused $refused) {
            return new JudgedLine(
                $line,
                LineOutcome::Refused,
                $refused->getMessage(),
                field: \in_array($refused->field, ['source', 'status', 'until'], true) ? $refused->field : 'target',
            );
        }
        $key = ($rule->prefix ? '*' : '=').$rule->source->path;
        $before = $this->good[$key] ?? null;
        if (null !== $before) {
            return self::same($before[1], $rule)
                ? new JudgedLine($line, LineOutcome::Already, \sprintf('It is the same as line %d.', $before[0]->line->number))
                : new JudgedLine(
                    $line,
                    LineOutcome::Refused,
                    \sprintf(
                        'Line %d has the same source, %s, and leads elsewhere. Keep one of the two.',
                        $before[0]->line->number,
                        $rule->sourceWords(),
                    ),
                );
        }
        $known = $this->known->of($rule->source, $rule->prefix);
        if (null !== $known) {
            return self::same($known, $rule) || self::same($known, $this->ended($rule))
                ? new JudgedLine($line, LineOutcome::Already, 'This redirect is there already.')
                : new JudgedLine(
                    $line,
                    LineOutcome::Refused,
                    \sprintf('%s has a redirect already, %s. Change that one instead.', $rule->sourceWords(), $known->status->words()),
                );
        }
        $place = $rule->prefix ? null : $this->places[$rule->source->path] ?? null;
        if (true === $place?->opensAt($this->moment)) {
            return new JudgedLine(
                $line,
                LineOutcome::Refused,
                \sprintf(
                    '“%s” opens at %s, so nobody would be redirected. Change its address or close it first.',
                    $place->title,
                    $rule->source,
                ),
            );
        }
        $judged = new JudgedLine($line, LineOutcome::Added, $this->leads($rule), $rule);
        $this->good[$key] = [$judged, $rule];

        return $judged;
    }

    private function rule(int $n, SheetLine $line): Rule
    {
        $typed = self::within($line->source, $this->origin);
        if (1 === preg_match('/^[a-z][a-z0-9+.-]*:/i', $typed)) {
            throw new Refused('source', 'The source is not an address of this shop. Write it as a path, such as /old-page.');
        }
        if ('' === $typed || !str_starts_with($typed, '/')) {
            throw new Refused('source', 'A source begins with a slash, such as /old-page.');
        }
        $prefix = str_ends_with($typed, '*');
        if (str_contains($typed, '?')) {
            throw new Refused(
                'source',
                'A source has no query: redirects keep the visitor’s own. Leave out what follows the question mark.',
            );
        }
        $source = Address::parse($prefix ? rtrim(substr($typed, 0, -1), '/') ?: '/' : $typed);
        $status = self::status($line->status, '' === trim($line->target));
        $until = $this->until($line->until);

        return new Rule((string) $n, $source, $prefix, $this->goal($line->target, $status, $prefix), $status, $until);
    }

    private function goal(string $target, RedirectStatus $status, bool $prefix): Goal
    {
        $typed = self::within($target, $this->origin);
        if (RedirectStatus::Gone === $status || '' === $typed) {
            return Goal::nowhere();
        }
        if (!str_starts_with($typed, '/') || str_starts_with($typed, '//')) {
            if (str_ends_with($typed, '*')) {
                throw new Refused('target', 'Outside of the shop all are led to one page. Write its address without the star.');
            }

            return Goal::outside($typed);
        }
        [$path, $query] = explode('?', explode('#', $typed, 2)[0], 2) + ['', ''];
        $carries = str_ends_with($path, '*');
        $address = Address::parse($carries ? rtrim(substr($path, 0, -1), '/') ?: '/' : $path);
        $place = $this->places[$address->path] ?? null;
        if (null !== $place && '' === $query && !$carries) {
            return Goal::place($place->id);
        }
        if ($prefix && !$carries) {
            throw new Refused(
                'target',
                \sprintf(
                    'For all below one address, write the target as %s/*, or choose a place that is there.',
                    rtrim($address->path, '/'),
                ),
            );
        }
        if (!$prefix && $carries) {
            throw new Refused('target', 'The target ends with *, but the source does not. Write both with it, or neither.');
        }

        return Goal::address($address, $query);
    }

    private static function within(string $typed, string $origin): string
    {
        $typed = trim($typed);
        if (0 === strncasecmp($typed, $origin, \strlen($origin)) && \in_array($typed[\strlen($origin)] ?? '/', ['/', '?', '#'], true)) {
            return '/'.ltrim(substr($typed, \strlen($origin)), '/');
        }

        return $typed;
    }

    private static function status(string $typed, bool $leadsNowhere): RedirectStatus
    {
        $word = mb_strtolower(trim($typed));

        return match (true) {
            '' === $word => $leadsNowhere
                ? throw new Refused('target', 'It does not say where it leads. Type a target, or the status 410 for what is gone.')
                    : RedirectStatus::ForGood,
            \in_array($word, ['permanent', 'for good', 'good'], true) => RedirectStatus::ForGood,
            \in_array($word, ['temporary', 'for now', 'now'], true) => RedirectStatus::ForNow,
            'gone' === $word => RedirectStatus::Gone,
            default => (1 === preg_match('/\b(301|302|307|308|410)\b/', $word, $found) ? RedirectStatus::tryFrom((int) $found[1]) : null)
                ?? throw new Refused(
                    'status',
                    \sprintf('“%s” is no status of a redirect. Use 301, 302, 307, 308 or 410.', mb_substr(trim($typed), 0, 40)),
                ),
        };
    }

    /** A day alone is its last one, in the shop: it leads on until that is over. */
    private function until(string $typed): ?\DateTimeImmutable
    {
        return match (true) {
            '' === trim($typed) => null,
            Moment::isDay($typed) => Moment::afterDay($typed, 'until', $this->zone),
            default => Moment::parse($typed, 'until', $this->zone),
        };
    }

    private static function same(Rule $one, Rule $other): bool
    {
        return $one->goal->equals($other->goal) && $one->status === $other->status && Moment::same($one->until, $other->until);
    }

    /** The rule as it is stored: straight to the end of its chain among the shop's own redirects. */
    private function ended(Rule $rule): Rule
    {
        $next = $rule->prefix ? null : $rule->next($rule->source);
        $seen = [];
        while (null !== $next && !isset($seen[$next->path])) {
            $seen[$next->path] = true;
            $following = $this->known->exact($next, $this->moment);
            if (null === $following || null !== $following->until) {
                break;
            }
            $rule = new Rule($rule->id, $rule->source, false, $following->goal, $rule->status->then($following->status), $rule->until);
            $next = $following->next($next);
        }

        return $rule;
    }

    /** Lines that lead round in a circle, alone or with the shop's redirects: all of those in it are refused, with the circle shown. */
    private function refuseLoops(): void
    {
        $table = $this->together();
        $settled = [];
        foreach ($this->good as [$judged, $rule]) {
            $at = $rule->prefix ? null : $rule->source;
            $path = [];
            while (null !== $at && !isset($settled[$at->path])) {
                if (isset($path[$at->path])) {
                    $this->refuseCircle(\array_slice(array_keys($path), (int) array_search($at->path, array_keys($path), true)));
                    break;
                }
                $path[$at->path] = true;
                if (true === ($this->places[$at->path] ?? null)?->opensAt($this->moment)) {
                    break;
                }
                $next = $table->exact($at, $this->moment) ?? $table->longestPrefix($at, $this->moment);
                $at = $next?->next($at);
            }
            $settled += $path;
        }
    }

    /** @param list<string> $circle addresses */
    private function refuseCircle(array $circle): void
    {
        $shown = \count($circle) > 12 ? [...\array_slice($circle, 0, 6), \sprintf('%d more', \count($circle) - 6)] : $circle;
        $words = (new LoopFound([...$shown, $circle[0]]))->getMessage();
        foreach ($circle as $path) {
            $address = Address::fromNormal($path);
            foreach (["={$path}", ...array_map(static fn (Address $above): string => "*{$above->path}", $address->ancestors())] as $key) {
                $good = $this->good[$key] ?? null;
                if (null !== $good) {
                    $this->judged[(int) $good[1]->id] = new JudgedLine($good[0]->line, LineOutcome::Refused, $words);
                    unset($this->good[$key]);
                }
            }
        }
    }

    private function together(): RuleTable
    {
        return new RuleTable([...$this->known->rules(), ...array_map(static fn (array $one): Rule => $one[1], array_values($this->good))]);
    }

    private function judgement(): Judgement
    {
        if ([] === $this->good) {
            return new Judgement(array_values($this->judged), [], []);
        }
        $opens = fn (Address $address): bool => true === ($this->places[$address->path] ?? null)?->opensAt($this->moment);
        $before = Flattening::of($this->known, $this->moment, $opens);
        $flat = Flattening::of($this->together(), $this->moment, $opens);
        $added = $changed = [];
        foreach ($this->good as [, $rule]) {
            $added[] = $flat->of($rule->source, $rule->prefix) ?? $rule;
        }
        foreach ($this->known->rules() as $rule) {
            // Only what leads into a new one: chains that were there before are not this sheet's to mend.
            [$ended, $ends] = [$before->of($rule->source, $rule->prefix), $flat->of($rule->source, $rule->prefix)];
            if (null !== $ended && null !== $ends && !self::same($ends, $ended)) {
                $changed[] = $ends;
            }
        }

        return new Judgement(array_values($this->judged), $added, $changed);
    }

    private function leads(Rule $rule): string
    {
        $title = $this->titles[$rule->goal->placeId ?? ''] ?? null;

        return match (true) {
            null !== $title => \sprintf('Leads to “%s”, %s.', $title, $rule->status->words()),
            $rule->goal->isNowhere() => 'Answers gone (410).',
            default => \sprintf(
                'Leads to %s, %s.',
                $rule->goal->outside ?? $rule->goal->address.($rule->prefix ? '/*' : ''),
                $rule->status->words(),
            ),
        };
    }
}
