<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Core\Finding\FindingKind;
use Lantern\Reading\Findings\CopyFilter;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Which findings are wanted. What is empty narrows nothing. */
#[OA\Schema]
final readonly class FindingsQuery
{
    public function __construct(
        #[OA\Property(description: 'On which copy; or what publishing would bring (comes) and put right (goes)'),
            Assert\Choice(choices: ['live', 'workbench', 'comes', 'goes']),]
        public string $stand = 'workbench',
        #[OA\Property, Assert\Length(max: 200)]
        public string $q = '',
        #[OA\Property(description: 'yes: those that are set aside, and no others'), Assert\Choice(choices: ['', 'yes'])]
        public string $aside = '',
        #[OA\Property(description: 'All of one kind, a page at a time'), Assert\Length(max: 60)]
        public string $kind = '',
        #[OA\Property(description: 'Id of the finding that the page before ended with'), Assert\Regex('/^[0-9a-f]{20}$/D')]
        public ?string $after = null,
    ) {
    }

    public function stand(): CopyFilter
    {
        return CopyFilter::from($this->stand);
    }

    public function kind(): ?FindingKind
    {
        return FindingKind::tryFrom($this->kind);
    }
}
