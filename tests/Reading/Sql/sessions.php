<?php

declare(strict_types=1);

// What one request after the other finds of a session, as php-fpm keeps it: run with apc.enable_cli=1 and a DSN, a user and a password.

use Doctrine\DBAL\Driver\PDO\Connection;
use Lantern\Reading\Sql\PreparingConnection;

require dirname(__DIR__, 3).'/vendor/autoload.php';

[, $dsn, $user, $password] = $argv;
$connect = static fn (): PDO => new PDO($dsn, $user, $password, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
$pdo = $connect();
$request = static function () use (&$pdo, $connect): PreparingConnection {
    return new PreparingConnection(new Connection($pdo), $pdo, "SET application_name TO 'set up'", static function () use (
        &$pdo,
        $connect,
    ): Connection {
        $pdo = $connect();

        return new Connection($pdo);
    });
};
$ask = static function (PreparingConnection $connection) use ($argv): array {
    $connection->exec('START TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY');
    $statement = $connection->prepare(<<<'SQL'
        SELECT current_setting('application_name'), CAST(:one AS text), :one || '!', current_setting('transaction_isolation')
        SQL);
    $statement->bindValue('one', $argv[4], Doctrine\DBAL\ParameterType::STRING);
    $answer = $statement->execute()->fetchNumeric();
    $connection->exec('ROLLBACK');

    return [...(array) $answer, $connection->query('SELECT CAST(count(*) AS integer) FROM pg_prepared_statements')->fetchOne()];
};
$answers = [$ask($request()), $ask($request())];
// Another session under the same process number: nothing of the first is there.
$pdo->exec('DISCARD ALL');
$answers[] = $ask($request());
// And one that is not asked within a transaction first.
$pdo->exec('DISCARD ALL');
$answers[] = [$request()->query("SELECT current_setting('application_name')")->fetchOne()];
// The session ended while nobody used it: whoever comes next notices nothing, however it asks first.
$end = static function () use (&$pdo, $connect): void {
    $connect()->exec('SELECT pg_terminate_backend('.$pdo->pgsqlGetPid().')');
};
$end();
$answers[] = $ask($request());
$end();
$answers[] = [$request()->query("SELECT current_setting('application_name')")->fetchOne()];
// In the middle of something it is told: what was read belongs together.
$connection = $request();
$connection->exec('START TRANSACTION ISOLATION LEVEL REPEATABLE READ, READ ONLY');
$end();
try {
    $connection->query('SELECT 1');
    $answers[] = 'went on';
} catch (Doctrine\DBAL\Driver\Exception) {
    $answers[] = 'told';
}
echo json_encode($answers, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
