<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Core\Address\Slug;
use Symfony\Component\HttpFoundation\HeaderUtils;

/** Under which name a browser keeps a download (RFC 6266). */
final class Disposition
{
    /** @param string $name as people call the thing; what no file name has becomes a hyphen */
    public static function attachment(string $name, string $ending): string
    {
        $plain = trim((string) preg_replace('#[\x00-\x1F\x7F/\\\\%"]+#', '-', mb_substr($name, 0, 80)), '- ');

        return HeaderUtils::makeDisposition(
            'attachment',
            ('' === $plain ? 'file' : $plain).".$ending",
            Slug::fromTitle($name, 'file')->text.".$ending",
        );
    }
}
