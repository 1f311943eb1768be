<?php

declare(strict_types=1);

namespace Lantern\Tests\Reading\Sql;

use Doctrine\DBAL\Connection;
use Lantern\Node\Look\FirstLook;
use Lantern\Tests\ShopTestCase;
use PHPUnit\Framework\Attributes\DataProvider;

final class PreparingConnectionTest extends ShopTestCase
{
    #[DataProvider('values')]
    public function testWhatIsAskedWithIsReadAsItIs(string $value): void
    {
        $live = $this->live();
        foreach ([1, 2] as $time) {
            self::assertSame([$value, $value], $live->fetchNumeric(<<<'SQL'
                SELECT CAST(:value AS text), CAST(:value AS text) WHERE CAST(:value AS text) = :value
                SQL, ['value' => $value]), "asked for the $time. time");
            self::assertSame([$value], $live->fetchNumeric("SELECT CAST(? AS text) WHERE '?' <> ':no'", [$value]));
        }
    }

    /** @return iterable<array{string}> */
    public static function values(): iterable
    {
        yield ["it's"];
        yield ['back\\slash\\'];
        yield ["\\' OR true --"];
        yield ["''; DROP TABLE place; --"];
        yield [':value ? $1 $$ %'];
        yield ["new\nline\ttab"];
        yield ['größe “50 × 70” 🧵'];
        yield [''];
        yield [str_repeat('x', 100_000)];
    }

    public function testNothingYesNoAndNumbersKeepTheirKinds(): void
    {
        self::assertSame([null, true, false, -7, 2_000_000_000], $this->live()->fetchNumeric(<<<'SQL'
            SELECT CAST(? AS text), CAST(? AS boolean), CAST(? AS boolean), CAST(? AS integer), CAST(? AS integer)
            SQL, [null, true, false, -7, 2_000_000_000]));
    }

    public function testItStillRefusesWhatIsNoStatement(): void
    {
        $this->expectException(\Doctrine\DBAL\Exception\SyntaxErrorException::class);
        $this->live()->fetchOne('SELECT FROM WHERE');
    }

    public function testASessionIsSetUpOnceAndFoundOutWhenItIsAnother(): void
    {
        $url = \is_string($_SERVER['DATABASE_URL'] ?? null) ? $_SERVER['DATABASE_URL'] : '';
        $parts = parse_url($url);
        self::assertIsArray($parts);
        $command = [
            \PHP_BINARY,
            '-d',
            'apc.enable_cli=1',
            __DIR__.'/sessions.php',
            FirstLook::dsn($url),
            $parts['user'] ?? '',
            rawurldecode($parts['pass'] ?? ''),
            "a'b\\",
        ];
        exec(implode(' ', array_map(escapeshellarg(...), $command)).' 2>&1', $output, $status);
        self::assertSame(0, $status, implode("\n", $output));
        $answer = ['set up', "a'b\\", "a'b\\!", 'repeatable read', 3];
        self::assertSame([$answer, $answer, $answer, ['set up'], $answer, ['set up'], 'told'], json_decode(implode('', $output), true));
    }

    private function live(): Connection
    {
        $connection = self::getContainer()->get('doctrine.dbal.live_connection');
        self::assertInstanceOf(Connection::class, $connection);

        return $connection;
    }
}
