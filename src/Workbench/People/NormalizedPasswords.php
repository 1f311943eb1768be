<?php

declare(strict_types=1);

namespace Lantern\Workbench\People;

use Symfony\Component\PasswordHasher\PasswordHasherInterface;

/**
 * A password is its letters, however a keyboard puts them together: it is hashed in NFC (NIST SP 800-63B, 3.1.1.2). One that was hashed
 * as it came, before that, still lets in whoever types it so; a hash does not tell which of the two it is of.
 */
final readonly class NormalizedPasswords implements PasswordHasherInterface
{
    public function __construct(private PasswordHasherInterface $hasher)
    {
    }

    public function hash(#[\SensitiveParameter] string $plainPassword): string
    {
        return $this->hasher->hash(self::normal($plainPassword));
    }

    public function verify(string $hashedPassword, #[\SensitiveParameter] string $plainPassword): bool
    {
        $normal = self::normal($plainPassword);

        return $this->hasher->verify($hashedPassword, $normal)
            || $normal !== $plainPassword
            && $this->hasher->verify($hashedPassword, $plainPassword);
    }

    public function needsRehash(string $hashedPassword): bool
    {
        return $this->hasher->needsRehash($hashedPassword);
    }

    private static function normal(string $password): string
    {
        $normal = \Normalizer::normalize($password, \Normalizer::FORM_C);

        return \is_string($normal) ? $normal : $password;
    }
}
