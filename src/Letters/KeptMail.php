<?php

declare(strict_types=1);

namespace Lantern\Letters;

/** A mail as it would have been sent (RFC 5322). */
final readonly class KeptMail
{
    public function __construct(public string $id, public \DateTimeImmutable $at, public string $to, public string $subject, public string $raw)
    {
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

    private function part(string $type): string
    {
        if (1 !== preg_match('~^Content-Type: '.preg_quote($type, '~').'.*?\r?\n((?:.+\r?\n)*)\r?\n(.*?)(?=\r?\n--|\z)~ms', $this->raw, $found)) {
            return '';
        }

        return match (true) {
            str_contains($found[1], 'quoted-printable') => quoted_printable_decode($found[2]),
            str_contains($found[1], 'base64') => (string) base64_decode($found[2], true),
            default => $found[2],
        };
    }
}
