<?php

declare(strict_types=1);

namespace Lantern\Admin\Filter;

use Lantern\Admin\Http\ListSize;
use Lantern\Core\Filter\ChoiceOrder;
use Lantern\Core\Filter\FilterSetting;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Other words for a filter; what is left out stays. */
#[OA\Schema]
final readonly class FilterWordsInput
{
    /**
     * @param list<string>|null $byHand
     */
    public function __construct(
        #[OA\Property(description: 'Its key'), Assert\Length(max: 200)]
        public string $filter,
        #[OA\Property(description: 'Empty: by its own name'), Assert\Length(max: FilterSetting::MAX_LABEL, normalizer: 'trim')]
        public ?string $label = null,
        #[OA\Property, Assert\Choice(choices: ['name', 'count', 'hand'])]
        public ?string $order = null,
        #[OA\Property(description: 'Values in their order', type: 'array', items: new OA\Items(type: 'string')),
            ListSize(max: FilterSetting::MOST_VALUES),
            Assert\All([new Assert\Type('string'), new Assert\Length(max: 200)]),]
        public ?array $byHand = null,
        #[OA\Property(description: 'A choice that the next two are about; a category by its id'), Assert\Length(max: 200)]
        public ?string $choice = null,
        #[OA\Property(description: 'What that choice is called; empty: by its own name'),
            Assert\Length(max: FilterSetting::MAX_LABEL, normalizer: 'trim'),]
        public ?string $called = null,
        #[OA\Property(description: 'The choice that stands for it; empty: it stands for itself'), Assert\Length(max: 200)]
        public ?string $standsAs = null,
    ) {
    }

    public function order(): ?ChoiceOrder
    {
        return null === $this->order ? null : ChoiceOrder::from($this->order);
    }

    /** @return array<string, string> */
    public function labels(): array
    {
        return null === $this->choice || null === $this->called ? [] : [$this->choice => $this->called];
    }

    /** @return array<string, string> */
    public function same(): array
    {
        return null === $this->choice || null === $this->standsAs ? [] : [$this->choice => $this->standsAs];
    }
}
