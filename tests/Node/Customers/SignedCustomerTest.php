<?php

declare(strict_types=1);

namespace Lantern\Tests\Node\Customers;

use Firebase\JWT\JWT;
use Lantern\Node\Customers\CustomerIdentities;
use Lantern\Node\Customers\SignedCustomer;
use Lantern\Node\Customers\StandInCustomer;
use PHPUnit\Framework\TestCase;

final class SignedCustomerTest extends TestCase
{
    private const SECRET = 'a secret of thirty-two bytes, at least so long';

    private string $file = '';
    private \DateTimeImmutable $now;
    private string $private = '';

    /** @var array<string, string> of the EC key, as a JWK */
    private array $public = [];

    protected function setUp(): void
    {
        $this->file = (string) tempnam(sys_get_temp_dir(), 'jwks');
        $this->now = new \DateTimeImmutable('2026-11-01 12:00:00 UTC');
        [$this->private, $this->public] = self::pair('2026-a');
        $this->keep([$this->public, self::shared('shared')]);
    }

    protected function tearDown(): void
    {
        unlink($this->file);
    }

    public function testATokenOfTheShopsOwnCustomerSystemHolds(): void
    {
        self::assertTrue($this->holds(JWT::encode($this->claims(), $this->private, 'ES256', '2026-a')));
        self::assertTrue($this->holds(JWT::encode($this->claims(), self::SECRET, 'HS256', 'shared')));
        self::assertTrue($this->holds(JWT::encode(['aud' => ['another', 'heron']] + $this->claims(), self::SECRET, 'HS256', 'shared')));
    }

    public function testWhatIsNotTheShopsDoesNot(): void
    {
        $at = $this->now->getTimestamp();
        $signed = fn (array $claims): string => JWT::encode($claims + $this->claims(), self::SECRET, 'HS256', 'shared');
        [$other] = self::pair('2026-a');
        $none = self::part(['alg' => 'none', 'typ' => 'JWT', 'kid' => 'shared']).'.'.self::part($this->claims()).'.';
        // The public key taken for a shared secret.
        $confused = JWT::encode($this->claims(), str_pad(json_encode($this->public, \JSON_THROW_ON_ERROR), 64), 'HS256', '2026-a');
        foreach ([
            'nothing' => '',
            'words' => 'not a token',
            'signed with none' => $none,
            'with the other algorithm' => $confused,
            'of another key' => JWT::encode($this->claims(), $other, 'ES256', '2026-a'),
            'of a key that is not known' => JWT::encode($this->claims(), self::SECRET, 'HS256', 'another'),
            'without a key' => JWT::encode($this->claims(), self::SECRET, 'HS256'),
            'expired' => $signed(['exp' => $at - 61]),
            'without an end' => JWT::encode(array_diff_key($this->claims(), ['exp' => 0]), self::SECRET, 'HS256', 'shared'),
            'not yet' => $signed(['nbf' => $at + 61]),
            'an hour ahead' => $signed(['iat' => $at + 3600]),
            'of another shop' => $signed(['aud' => 'another']),
            'of no shop' => $signed(['aud' => []]),
            'of another issuer' => $signed(['iss' => 'https://elsewhere.example']),
            'changed' => preg_replace('/\.(.)/', '.A', $signed([]), 1),
            'with what is critical and unknown' => JWT::encode(
                $this->claims(),
                self::SECRET,
                'HS256',
                'shared',
                ['crit' => ['x'], 'x' => '1'],
            ),
            'very long' => $signed(['x' => str_repeat('a', 5000)]),
        ] as $what => $token) {
            self::assertFalse($this->holds((string) $token), $what);
        }
        self::assertTrue($this->holds($signed(['exp' => $at - 59])), 'clocks may be a minute apart');
    }

    public function testAKeyIsPutBesideTheOldOneAndTheOldOneTakenOut(): void
    {
        $identity = new SignedCustomer($this->file, 'heron', 'https://customers.example');
        $old = JWT::encode($this->claims(), $this->private, 'ES256', '2026-a');
        [$private, $public] = self::pair('2026-b');
        $new = JWT::encode($this->claims(), $private, 'ES256', '2026-b');
        $known = fn (): array => [$identity->holds($old, $this->now), $identity->holds($new, $this->now)];
        self::assertSame([true, false], $known());
        $this->keep([$this->public, $public]);
        self::assertSame([true, true], $known());
        $this->keep([
            $public,
            ['kty' => 'broken', 'kid' => 'x', 'alg' => 'ES256'],
            ['kty' => 'oct', 'kid' => 'none', 'alg' => 'none', 'k' => 'AA'],
        ]);
        self::assertSame([false, true], $known());
        file_put_contents($this->file, '{broken');
        self::assertSame([false, false], $known());
    }

    public function testTheShopSaysWhichSystemItHas(): void
    {
        self::assertSame(StandInCustomer::class, CustomerIdentities::ofEnvironment()::class);
        putenv("LANTERN_CUSTOMER_KEYS=$this->file");
        putenv('LANTERN_CUSTOMER_COOKIE=member');
        try {
            $identity = CustomerIdentities::ofEnvironment();
            self::assertSame(SignedCustomer::class, $identity::class);
            self::assertSame('a.b-c_d', CustomerIdentities::among('x=1; member=a.b-c_d; customer=2', $identity));
        } finally {
            putenv('LANTERN_CUSTOMER_KEYS');
            putenv('LANTERN_CUSTOMER_COOKIE');
        }
    }

    private function holds(string $token): bool
    {
        return (new SignedCustomer($this->file, 'heron', 'https://customers.example'))->holds($token, $this->now);
    }

    /** @return array<string, mixed> */
    private function claims(): array
    {
        return ['sub' => '17', 'iss' => 'https://customers.example', 'aud' => 'heron', 'exp' => $this->now->getTimestamp() + 600];
    }

    /** @param list<array<string, string>> $keys */
    private function keep(array $keys): void
    {
        file_put_contents($this->file, json_encode(['keys' => $keys], \JSON_THROW_ON_ERROR));
    }

    /** @return array{string, array<string, string>} a private key as PEM, and its public one as a JWK */
    private static function pair(string $kid): array
    {
        $key = openssl_pkey_new(['private_key_type' => \OPENSSL_KEYTYPE_EC, 'curve_name' => 'prime256v1']);
        self::assertNotFalse($key);
        openssl_pkey_export($key, $pem);
        $details = openssl_pkey_get_details($key);
        self::assertIsString($pem);
        self::assertIsArray($details);
        $of = static fn (string $name): string => JWT::urlsafeB64Encode(str_pad((string) $details['ec'][$name], 32, "\0", \STR_PAD_LEFT));

        return [$pem, ['kty' => 'EC', 'crv' => 'P-256', 'kid' => $kid, 'alg' => 'ES256', 'x' => $of('x'), 'y' => $of('y')]];
    }

    /** @return array<string, string> */
    private static function shared(string $kid): array
    {
        return ['kty' => 'oct', 'kid' => $kid, 'alg' => 'HS256', 'k' => JWT::urlsafeB64Encode(self::SECRET)];
    }

    /** @param array<string, mixed> $part */
    private static function part(array $part): string
    {
        return JWT::urlsafeB64Encode(json_encode($part, \JSON_THROW_ON_ERROR));
    }
}
