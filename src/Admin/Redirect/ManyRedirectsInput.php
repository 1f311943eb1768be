<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\ListSize;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What many redirects get, all the same; what is left out stays. */
#[OA\Schema]
final readonly class ManyRedirectsInput
{
    public const MOST = 5000;

    /** @param list<string> $ids */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string')), ListSize(min: 1, max: self::MOST), Assert\All([new Id()])]
        public array $ids,
        #[OA\Property, Assert\Length(max: 4096)]
        public ?string $target = null,
        #[OA\Property, Assert\Choice(choices: RedirectsQuery::STATUSES)]
        public ?string $status = null,
        #[OA\Property(description: 'Empty: for ever'), Assert\Length(max: 40)]
        public ?string $until = null,
    ) {
    }
}
