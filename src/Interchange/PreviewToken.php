<?php

declare(strict_types=1);

namespace Lantern\Interchange;

use Lantern\Core\Visitor;
use Lantern\Persistence\CopyName;

/**
 * Lets a browser see one copy of the shop as one visitor for a while. It is signed, so the storefront
 * needs no session to believe it, and it stands in the path, so links within the preview keep it.
 */
final readonly class PreviewToken
{
    private const PATH = '#^/-/preview/([A-Za-z0-9_-]+)\.([A-Za-z0-9_-]{43})(/.*|$)#s';

    /** @param \DateTimeImmutable|null $moment null: always the present moment */
    public function __construct(
        public CopyName $copy,
        public bool $signedIn,
        public ?\DateTimeImmutable $moment,
        public \DateTimeImmutable $expires,
    ) {
    }

    /** The part of a path that all addresses of the preview begin with. */
    public function prefix(#[\SensitiveParameter] string $secret): string
    {
        $payload = self::encode(json_encode([
            $this->copy->value, $this->signedIn, $this->moment?->format(\DATE_ATOM), $this->expires->getTimestamp(),
        ], \JSON_THROW_ON_ERROR));

        return "/-/preview/$payload.".self::signature($payload, $secret);
    }

    /**
     * @return array{self, string, string}|null the token, the prefix it came in and the path within the
     *                                          preview; null where there is no token, or none that holds
     */
    public static function fromPath(string $path, #[\SensitiveParameter] string $secret, \DateTimeImmutable $now): ?array
    {
        if (1 !== preg_match(self::PATH, $path, $found) || !hash_equals(self::signature($found[1], $secret), $found[2])) {
            return null;
        }
        [$copy, $signedIn, $moment, $expires] = (array) json_decode((string) base64_decode(strtr($found[1], '-_', '+/'), true), true) + [null, null, null, 0];
        $token = new self(
            CopyName::from(\is_string($copy) ? $copy : ''),
            true === $signedIn,
            \is_string($moment) ? new \DateTimeImmutable($moment) : null,
            (new \DateTimeImmutable())->setTimestamp(is_numeric($expires) ? (int) $expires : 0),
        );

        return $token->expires < $now ? null : [$token, "/-/preview/{$found[1]}.{$found[2]}", '' === $found[3] ? '/' : $found[3]];
    }

    public function visitor(\DateTimeImmutable $now): Visitor
    {
        return new Visitor($this->signedIn, $this->moment ?? $now);
    }

    private static function signature(string $payload, string $secret): string
    {
        return self::encode(hash_hmac('sha256', "preview $payload", $secret, true));
    }

    private static function encode(string $bytes): string
    {
        return rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
    }
}
