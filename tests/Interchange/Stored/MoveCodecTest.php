<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Stored;

use Lantern\Core\Menu\Entry;
use Lantern\Core\Refused;
use Lantern\Interchange\Stored\MoveCodec;
use Lantern\Tests\Core\Menu\Trees;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class MoveCodecTest extends TestCase
{
    /** What the interface's own tests hold their guesses against; made anew by LANTERN_WRITE=1. */
    private const FILE = __DIR__.'/../../../web/admin/src/data/moves.json';

    public function testWhatTheInterfaceGuessesIsHeldAgainstTheCore(): void
    {
        $cases = $this->cases();
        if ('1' === getenv('LANTERN_WRITE')) {
            file_put_contents(
                self::FILE,
                "[\n".implode(",\n", array_map(static fn (array $case): string => json_encode($case, \JSON_THROW_ON_ERROR), $cases))
                    ."\n]\n",
            );
        }
        self::assertSame(json_encode($cases), json_encode(json_decode((string) file_get_contents(self::FILE), true)));
        self::assertGreaterThan(60, \count(array_filter($cases, static fn (array $case): bool => null !== $case['after'])));
    }

    /**
     * @return list<array{before: list<mixed>, move: array<string, mixed>, after: list<mixed>|null}> after is null where the move is refused
     */
    private function cases(): array
    {
        $random = new Randomizer(new Mt19937(1));
        $cases = [];
        for ($n = 0; $n < 120; ++$n) {
            $before = Trees::random($n, 2 + $n % 9);
            $move = Trees::anyMove($before, $random, "new$n");
            try {
                $after = self::shape($move->apply($before)->entries);
            } catch (Refused) {
                $after = null;
            }
            $cases[] = ['before' => self::shape($before->entries), 'move' => MoveCodec::encode($move), 'after' => $after];
        }

        return $cases;
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<mixed>
     */
    private static function shape(array $entries): array
    {
        return array_map(
            static fn (Entry $entry): array => [$entry->id, $entry->label, $entry->enabled, self::shape($entry->children)],
            $entries,
        );
    }
}
