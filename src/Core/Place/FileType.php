<?php

declare(strict_types=1);

namespace Lantern\Core\Place;

use Lantern\Core\Refused;

/** The types of file that the shop offers (IANA media types). */
enum FileType: string
{
    public const MAX_BYTES = 20 * 1024 * 1024;

    case Pdf = 'application/pdf';
    case Png = 'image/png';
    case Jpeg = 'image/jpeg';
    case Gif = 'image/gif';
    case Webp = 'image/webp';
    case Svg = 'image/svg+xml';
    case Mp4 = 'video/mp4';
    case Webm = 'video/webm';
    case Text = 'text/plain';
    case Csv = 'text/csv';

    /** @return non-empty-list<string> in lower case; the first is the usual one */
    public function extensions(): array
    {
        return match ($this) {
            self::Pdf => ['pdf'],
            self::Png => ['png'],
            self::Jpeg => ['jpg', 'jpeg'],
            self::Gif => ['gif'],
            self::Webp => ['webp'],
            self::Svg => ['svg'],
            self::Mp4 => ['mp4'],
            self::Webm => ['webm'],
            self::Text => ['txt'],
            self::Csv => ['csv'],
        };
    }

    /** The type that a stored file was taken for, told by the ending it was given then. */
    public static function ofStoredName(string $name): ?self
    {
        $ending = pathinfo($name, \PATHINFO_EXTENSION);
        foreach (self::cases() as $type) {
            if ($type->extensions()[0] === $ending) {
                return $type;
            }
        }

        return null;
    }

    public function isPicture(): bool
    {
        return str_starts_with($this->value, 'image/');
    }

    public function isVideo(): bool
    {
        return str_starts_with($this->value, 'video/');
    }

    private function isText(): bool
    {
        return str_starts_with($this->value, 'text/');
    }

    /**
     * The type of an upload, if its name, its content and its size agree that it may be one.
     *
     * @param string $found media type told by the content itself, never by whoever sends it
     *
     * @throws Refused
     */
    public static function ofUpload(string $name, string $found, int $bytes): self
    {
        if ($bytes > self::MAX_BYTES) {
            throw new Refused(
                'file',
                \sprintf(
                    'A file has at most %d MB; this one has %.1f MB. Make it smaller, or link to it elsewhere.',
                    self::MAX_BYTES >> 20,
                    $bytes / (1 << 20),
                ),
            );
        }
        if (0 === $bytes) {
            throw new Refused('file', 'This file is empty. Choose another one.');
        }
        $extension = strtolower(pathinfo($name, \PATHINFO_EXTENSION));
        foreach (self::cases() as $type) {
            if (!\in_array($extension, $type->extensions(), true)) {
                continue;
            }
            // A table or a note is told from other text by its name only; it is served as text, whatever stands in it.
            // A drawing is XML, which looks like any text; whether it is one is found out by reading it.
            if (
                $type->value !== $found
                && !($type->isText() && str_starts_with($found, 'text/'))
                && !(self::Svg === $type && \in_array($found, ['text/plain', 'text/xml', 'text/html', 'application/xml'], true))
            ) {
                throw new Refused(
                    'file',
                    \sprintf('“%s” is called .%s, but its content is %s. Save it anew as what it should be.', $name, $extension, $found),
                );
            }

            return $type;
        }

        throw new Refused(
            'file',
            \sprintf(
                '“%s” is of no type that the shop offers. It takes PDF, PNG, JPEG, GIF, WebP, SVG, MP4 and WebM video, plain text and CSV.',
                $name,
            ),
        );
    }
}
