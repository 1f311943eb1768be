<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

/** A mail as it would have been sent (RFC 5322). */
final readonly class KeptMail
{
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public string $to,
        public string $subject,
        public string $raw,
    ) {
    }

    /** Its part for those who read plain text, decoded. */
    public function text(): string
    {
        return $this->part('text/plain');
    }

    public function html(): string
    {
        return $this->part('text/html');
    }

    /** One part of a mail, which may be all of it (RFC 2046, 5.1), decoded. */
    private function part(string $type): string
    {
        $raw = str_replace("\r\n", "\n", $this->raw);
        $isOne = 1 !== preg_match('/^Content-Type: multipart\/\S+;\s+boundary="?([^"\s;]+)/m', $raw, $found);
        foreach ($isOne ? [$raw] : explode('--'.($found[1] ?? ''), $raw) as $part) {
            [$headers, $body] = explode("\n\n", ltrim($part, "\n"), 2) + ['', ''];
            if (1 === preg_match('/^Content-Type: '.preg_quote($type, '/').'\b/m', $headers)) {
                return trim(match (true) {
                    str_contains($headers, 'quoted-printable') => quoted_printable_decode($body),
                    str_contains($headers, 'base64') => (string) base64_decode($body, true),
                    default => $body,
                });
            }
        }

        return '';
    }
}
