<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use Lantern\Admin\Http\Id;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Reading\Redirects\RedirectFilter;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What the table of redirects is narrowed to. What is empty narrows nothing. */
#[OA\Schema]
final readonly class RedirectsQuery
{
    public const STATUSES = ['301', '302', '307', '308', '410'];

    public function __construct(
        #[OA\Property, Assert\Length(max: 200)]
        public string $q = '',
        #[OA\Property, Assert\Choice(choices: ['', ...self::STATUSES])]
        public string $status = '',
        #[OA\Property, Assert\Choice(choices: ['', 'person', 'address-change', 'file'])]
        public string $origin = '',
        #[OA\Property, Assert\Choice(choices: ['', ...RedirectFilter::MARKS])]
        public string $mark = '',
        #[OA\Property(description: 'Id of the redirect that the page before ended with'), Id]
        public ?string $after = null,
    ) {
    }

    public function filter(): RedirectFilter
    {
        return new RedirectFilter($this->q, RedirectStatus::tryFrom((int) $this->status), $this->origin, $this->mark);
    }
}
