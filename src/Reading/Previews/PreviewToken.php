<?php

declare(strict_types=1);

namespace Lantern\Reading\Previews;

use Lantern\Core\Release\CopyName;
use Lantern\Core\Visitor;

/**
 * Lets a browser see one copy of the shop as one visitor for a while. It is signed, so the storefront
 * needs no session to believe it; it carries the key of the session it was made in, so it ends with that;
 * and it stands in the path, so links within the preview keep it.
 */
final readonly class PreviewToken
{
    public const BEGINS = '/-/preview/';
    private const PATH = '#^/-/preview/([A-Za-z0-9_-]+)\.([A-Za-z0-9_-]{43})(/.*|\?.*|$)#Ds';

    /**
     * @param string                  $key    of the session, see PreviewKeys
     * @param \DateTimeImmutable|null $moment null: always the present moment
     */
    public function __construct(
        public CopyName $copy,
        public bool $signedIn,
        public ?\DateTimeImmutable $moment,
        public \DateTimeImmutable $expires,
        public string $key,
    ) {
    }

    /** The part of a path that all addresses of the preview begin with. */
    public function prefix(#[\SensitiveParameter] string $secret): string
    {
        $payload = self::encode(json_encode([
            $this->copy->value, $this->signedIn, $this->moment?->format(\DATE_ATOM), $this->expires->getTimestamp(), $this->key,
        ], \JSON_THROW_ON_ERROR));

        return self::BEGINS."$payload.".self::signature($payload, $secret);
    }

    /** What a path asks for; null where there is no token in it, or none that holds. */
    public static function fromPath(string $path, #[\SensitiveParameter] string $secret, \DateTimeImmutable $now): ?PreviewVisit
    {
        if (1 !== preg_match(self::PATH, $path, $found) || !hash_equals(self::signature($found[1], $secret), $found[2])) {
            return null;
        }
        $parts = json_decode((string) base64_decode(strtr($found[1], '-_', '+/'), true), true);
        if (!\is_array($parts) || 5 !== \count($parts)) {
            return null;
        }
        [$copy, $signedIn, $moment, $expires, $key] = array_values($parts);
        $name = \is_string($copy) ? CopyName::tryFrom($copy) : null;
        if (null === $name || !\is_int($expires) || !\is_string($key) || $expires < $now->getTimestamp()) {
            return null;
        }
        $token = new self(
            $name,
            true === $signedIn,
            \is_string($moment) ? new \DateTimeImmutable($moment) : null,
            $now->setTimestamp($expires),
            $key,
        );

        return new PreviewVisit(
            $token,
            self::BEGINS."{$found[1]}.{$found[2]}",
            str_starts_with($found[3], '/') ? $found[3] : "/{$found[3]}",
        );
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
