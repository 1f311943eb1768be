<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Places\PlaceFilter;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What the table of places is narrowed to. What is empty narrows nothing. */
#[OA\Schema]
final readonly class PlacesQuery
{
    public function __construct(
        #[OA\Property(description: 'Words in title, address or kind'), Assert\Length(max: 200)]
        public string $q = '',
        #[OA\Property, Assert\Choice(callback: [self::class, 'kinds'])]
        public string $kind = '',
        #[OA\Property, Assert\Choice(choices: ['', 'open', 'quiet', 'closed'])]
        public string $light = '',
        #[OA\Property(description: 'Id of the place that they stand below'), Id]
        public ?string $group = null,
        #[OA\Property, Assert\Choice(choices: ['', 'yes', 'no'])]
        public string $listed = '',
        #[OA\Property(description: 'no-menu: that no menu leads to; nowhere: that open, but nothing leads to'),
            Assert\Choice(choices: ['', 'no-menu', 'nowhere']),]
        public string $led = '',
        #[OA\Property, Assert\Choice(choices: ['', ...PlaceFilter::ORDERS])]
        public string $order = '',
        #[OA\Property(description: 'yes: from the end'), Assert\Choice(choices: ['', 'yes'])]
        public string $down = '',
        #[OA\Property(description: 'Id of the place that the page before ended with'), Id]
        public ?string $after = null,
    ) {
    }

    public function filter(): PlaceFilter
    {
        return new PlaceFilter(
            $this->q,
            PlaceKind::tryFrom($this->kind),
            Light::tryFrom($this->light),
            $this->group,
            ['yes' => true, 'no' => false][$this->listed] ?? null,
            'no-menu' === $this->led,
            'nowhere' === $this->led,
            $this->order,
            'yes' === $this->down,
        );
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return ['', ...array_column(PlaceKind::cases(), 'value')];
    }
}
