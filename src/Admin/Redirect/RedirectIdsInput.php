<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\ListSize;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class RedirectIdsInput
{
    /** @param list<string> $ids */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string')),
            ListSize(min: 1, max: ManyRedirectsInput::MOST),
            Assert\All([new Id()]),]
        public array $ids,
    ) {
    }
}
