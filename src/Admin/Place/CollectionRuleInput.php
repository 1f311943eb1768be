<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Core\Place\CollectionRule;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

#[OA\Schema]
final readonly class CollectionRuleInput
{
    public function __construct(
        #[OA\Property, Assert\Choice(choices: CollectionRule::WAYS)]
        public string $by,
        #[OA\Property, Assert\Length(max: 100)]
        public string $tag = '',
    ) {
    }

    /** @throws \Lantern\Core\Refused */
    public function rule(): CollectionRule
    {
        return CollectionRule::of($this->by, $this->tag);
    }
}
