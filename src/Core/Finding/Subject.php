<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

/** The thing that a finding is about, and where it is found. */
final readonly class Subject
{
    /**
     * @param string $id     of the entry or piece, of the place whose words they are, of the redirect, of the place, of the outside mention
     * @param string $name   what people know it by
     * @param string $within id of the menu, or of the page that is laid out, in which an entry or piece stands; else empty
     * @param string $where  what people know that by
     */
    public function __construct(
        public SubjectType $type,
        public string $id,
        public string $name,
        public string $within = '',
        public string $where = '',
    ) {
    }
}
