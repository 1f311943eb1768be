<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Keeps what has to be read again, so that a copy of the database alone gives nothing away (XSalsa20-Poly1305, by libsodium). */
final readonly class Secrets
{
    private string $key;

    public function __construct(#[Autowire(env: 'APP_SECRET'), \SensitiveParameter] string $secret)
    {
        $this->key = hash('sha256', "second factor $secret", true);
    }

    public function lock(#[\SensitiveParameter] string $plain): string
    {
        $nonce = random_bytes(\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return base64_encode($nonce.sodium_crypto_secretbox($plain, $nonce, $this->key));
    }

    /** @return string|null null where it was locked with another secret of the application */
    public function open(string $locked): ?string
    {
        $bytes = (string) base64_decode($locked, true);
        if (\strlen($bytes) <= \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES) {
            return null;
        }
        $plain = sodium_crypto_secretbox_open(
            substr($bytes, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            substr($bytes, 0, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES),
            $this->key,
        );

        return false === $plain ? null : $plain;
    }
}
