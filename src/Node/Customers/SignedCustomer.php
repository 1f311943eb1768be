<?php

declare(strict_types=1);

namespace Lantern\Node\Customers;

use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use Firebase\JWT\Key;

/**
 * A token that the shop's own customer system signs and sets as a cookie (JWT, RFC 7519; ES256 or HS256, RFC 7518). Its keys are a JWK
 * set (RFC 7517) in a file, each with its kid and alg: a new key is put beside the old one, and the old one taken out when what it
 * signed has run out. The file is read anew when it changes.
 */
final class SignedCustomer implements CustomerIdentity
{
    private const ALGORITHMS = ['ES256', 'HS256'];

    /** Clocks may be a minute apart. In seconds. */
    private const LEEWAY = 60;

    /** What is longer is no token of a customer, and is not looked at. */
    private const MOST_BYTES = 4096;

    /** @var array<string, Key> by kid */
    private array $keys = [];
    private string $readFrom = '';

    /**
     * @param string $keysFile path of the JWK set
     * @param string $shop     what the token's audience (aud) has to name
     * @param string $issuer   what its iss has to be; empty: whatever it is
     */
    public function __construct(
        private readonly string $keysFile,
        private readonly string $shop,
        private readonly string $issuer = '',
        private readonly string $cookie = StandInCustomer::COOKIE,
    ) {
    }

    public function cookie(): string
    {
        return $this->cookie;
    }

    public function holds(string $token, \DateTimeImmutable $now): bool
    {
        if ('' === $token || \strlen($token) > self::MOST_BYTES || 2 !== substr_count($token, '.')) {
            return false;
        }
        // What a token calls critical and nobody here understands makes it void (RFC 7515, 4.1.11).
        $header = json_decode((string) base64_decode(strtr(strtok($token, '.') ?: '', '-_', '+/'), false), true);
        if (!\is_array($header) || \array_key_exists('crit', $header)) {
            return false;
        }
        JWT::$leeway = self::LEEWAY;
        JWT::$timestamp = $now->getTimestamp();
        try {
            // The algorithm is the key's, whatever the token says of itself.
            $claims = get_object_vars(JWT::decode($token, $this->keys()));
        } catch (\Throwable) {
            return false;
        } finally {
            JWT::$timestamp = null;
        }
        $audience = $claims['aud'] ?? null;

        // A token without an end would hold for ever.
        return \is_int($claims['exp'] ?? null)
            && '' !== $this->shop && \in_array($this->shop, \is_array($audience) ? $audience : [$audience], true)
            && ('' === $this->issuer || ($claims['iss'] ?? null) === $this->issuer);
    }

    /** @return array<string, Key> */
    private function keys(): array
    {
        clearstatcache(true, $this->keysFile);
        $state = @filemtime($this->keysFile).' '.@filesize($this->keysFile);
        if ($state !== $this->readFrom) {
            $set = json_decode((string) @file_get_contents($this->keysFile), true);
            $known = \is_array($set) && \is_array($set['keys'] ?? null) ? $set['keys'] : [];
            $this->keys = [];
            foreach ($known as $key) {
                if (\is_array($key) && \is_string($key['kid'] ?? null) && \in_array($key['alg'] ?? null, self::ALGORITHMS, true)) {
                    try {
                        $this->keys += JWK::parseKeySet(['keys' => [$key]]);
                    } catch (\Throwable) {
                        // One key that cannot be read takes none of the others away.
                    }
                }
            }
            $this->readFrom = $state;
        }

        return $this->keys;
    }
}
