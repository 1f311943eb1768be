<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class MarksQuery
{
    public function __construct(
        #[OA\Property(description: 'Ids of menus, pages or places, with commas between'),
            Assert\Regex('/^(?:[0-9a-f-]{36}(?:,[0-9a-f-]{36}){0,149})?$/Di'),]
        public string $ids = '',
    ) {
    }

    /** @return list<string> */
    public function ids(): array
    {
        return '' === $this->ids ? [] : explode(',', strtolower($this->ids));
    }
}
