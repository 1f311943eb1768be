<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * While a new version is put in the place of an old one, both work on the same tables: a migration takes nothing away that the old one
 * still reads.
 */
final class MigrationsTest extends TestCase
{
    /** From here on; those before were made while nobody had a shop to upgrade. */
    private const SINCE = '20261209000000';

    /** What the version before would stumble over. */
    private const NEVER = [
        '/\bDROP\s+(TABLE|SCHEMA|VIEW)\b/i' => 'takes a table away',
        '/\bALTER\s+TABLE\b[^;"\']*\bDROP\s+(?!CONSTRAINT\b|DEFAULT\b|NOT\s+NULL\b)/i' => 'takes a column away',
        '/\bRENAME\s+(TO|COLUMN)\b/i' => 'gives something another name',
        '/\bADD\s+(?:COLUMN\s+)?(?!CONSTRAINT\b)\w+\s+[^,]*\bNOT\s+NULL\b(?![^,]*\bDEFAULT\b)/i' => 'adds a column that the old version does not fill',
        '/\bSET\s+NOT\s+NULL\b/i' => 'asks of the old version what it does not do',
        '/\bCREATE\s+(UNIQUE\s+)?INDEX\s+(?!CONCURRENTLY)(?=.*\bON\s+(workbench|live|catalogue)\.)/i' => 'holds a large table up while its index is made',
    ];

    /** @return iterable<string, array{string}> */
    public static function migrations(): iterable
    {
        foreach (glob(\dirname(__DIR__, 2).'/migrations/Version*.php') ?: [] as $file) {
            if (basename($file, '.php') >= 'Version'.self::SINCE) {
                yield basename($file, '.php') => [$file];
            }
        }
    }

    #[DataProvider('migrations')]
    public function testTheVersionBeforeSurvivesIt(string $file): void
    {
        $up = strstr((string) strstr((string) file_get_contents($file), 'function up('), 'function down(', true);
        self::assertIsString($up);
        foreach (self::faults($up) as $fault) {
            self::fail(basename($file)." $fault.");
        }
        $this->addToAssertionCount(1);
    }

    public function testTheRuleItselfFindsWhatItForbids(): void
    {
        foreach ([
            'ALTER TABLE journal.person DROP mail' => 1,
            'ALTER TABLE journal.person ADD x text NOT NULL' => 1,
            "ALTER TABLE journal.person ADD x text NOT NULL DEFAULT ''" => 0,
            'ALTER TABLE journal.person DROP CONSTRAINT c, ADD CONSTRAINT c CHECK (true)' => 0,
            'ALTER TABLE journal.person RENAME COLUMN a TO b' => 1,
            'DROP TABLE journal.edit' => 1,
            'CREATE INDEX x ON workbench.place (title)' => 1,
            'CREATE INDEX x ON journal.audit (at)' => 0,
            'CREATE INDEX CONCURRENTLY x ON workbench.place (title)' => 0,
        ] as $sql => $faults) {
            self::assertCount($faults, self::faults($sql), $sql);
        }
    }

    /** @return list<string> */
    private static function faults(string $sql): array
    {
        return array_values(array_filter(
            self::NEVER,
            static fn (string $pattern): bool => 1 === preg_match($pattern, $sql),
            \ARRAY_FILTER_USE_KEY,
        ));
    }
}
