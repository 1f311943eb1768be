<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class KnownChoicesQuery
{
    public function __construct(#[OA\Property(description: 'Key of the filter'), Assert\Length(max: 200)] public string $filter = '')
    {
    }
}
