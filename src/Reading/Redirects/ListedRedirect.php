<?php

declare(strict_types=1);

namespace Lantern\Reading\Redirects;

use Lantern\Core\Redirect\Rule;

/** A redirect of the workbench with what a list says about it. */
final readonly class ListedRedirect
{
    /**
     * @param string      $goalWords  title of the place, address or URL that it leads to
     * @param string      $origin     person, address-change or file
     * @param int         $visits     in the last 30 days
     * @param string|null $lastVisit  day of the last visit
     * @param string|null $shadowedBy title of the place that opens at its source, so that it never answers
     */
    public function __construct(
        public Rule $rule,
        public int $version,
        public string $goalWords,
        public string $goalAddress,
        public string $origin,
        public string $note,
        public int $visits,
        public ?string $lastVisit,
        public ?string $shadowedBy,
        public bool $leadsNowhere,
        public bool $hasEnded,
    ) {
    }
}
