<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Sql;

use Lantern\Reading\Sql\Away;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AwayTest extends TestCase
{
    #[DataProvider('states')]
    public function testTellsADatabaseThatIsAwayFromAStatementThatIsWrong(string $state, bool $away): void
    {
        $error = new \PDOException("SQLSTATE[$state]");
        (new \ReflectionProperty(\Exception::class, 'code'))->setValue($error, $state);
        self::assertSame($away, Away::explains($error));
        self::assertSame(
            $away,
            Away::explains(new \RuntimeException('around it', previous: new \LogicException('and again', previous: $error))),
        );
    }

    /** @return iterable<string, array{string, bool}> */
    public static function states(): iterable
    {
        yield 'the connection was refused' => ['08006', true];
        yield 'too many connections' => ['53300', true];
        yield 'the disk is full' => ['53100', true];
        yield 'the administrator ended it' => ['57P01', true];
        yield 'it took too long' => ['57014', true];
        yield 'it only reads' => ['25006', true];
        yield 'a unique violation' => ['23505', false];
        yield 'a deadlock, which is tried again' => ['40P01', false];
        yield 'a syntax error' => ['42601', false];
        yield 'an invalid text' => ['22P02', false];
        yield 'a parameter that is missing' => ['HY093', false];
    }

    public function testWhatHasNothingToDoWithADatabase(): void
    {
        self::assertFalse(Away::explains(new \RuntimeException('08006')));
    }
}
