<?php

declare(strict_types=1);

namespace Lantern\Reading\Redirects;

use Lantern\Core\Redirect\RedirectStatus;

/** What a table of redirects is narrowed to. */
final readonly class RedirectFilter
{
    public const MARKS = ['shadowed', 'nowhere', 'unused', 'ended'];

    /**
     * @param string $words  each of which stands in the source, the note, or where it leads
     * @param string $origin person, address-change or file; empty: any
     * @param string $mark   one of MARKS; empty: any
     */
    public function __construct(
        public string $words = '',
        public ?RedirectStatus $status = null,
        public string $origin = '',
        public string $mark = '',
    ) {
    }
}
