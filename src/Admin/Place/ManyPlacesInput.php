<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\ListSize;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use Lantern\Core\Place\Light;
use Lantern\Core\Place\PlaceParent;
use Lantern\Core\Refused;
use Lantern\Workbench\Places\ManyPlaces;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** What shall become different about many places at once; what is left out stays. */
#[OA\Schema]
final class ManyPlacesInput
{
    /** @var list<string> */
    #[OA\Property(type: 'array', items: new OA\Items(type: 'string')), ListSize(min: 1, max: ManyPlaces::MOST), Assert\All([new Id()])]
    public array $places = [];
    #[OA\Property]
    public ?Light $light = null;
    /** Left without a value, so that null can be told from what was not said. */
    #[OA\Property(description: 'Null: in no group'), Id]
    public ?string $parent;
    #[OA\Property]
    public ?bool $listed = null;
    #[OA\Property(description: 'Where visitors go while they are closed')]
    public ?ClosedAnswer $answer = null;
    #[OA\Property, Id]
    public ?string $to = null;

    /** @throws Refused where nothing is said */
    public function refuseNothing(): void
    {
        if (null === $this->light && null === $this->listed && null === $this->standing()) {
            throw new Refused('body', 'Say what shall become different: light, parent or listed.');
        }
    }

    public function standing(): ?PlaceParent
    {
        return \array_key_exists('parent', get_object_vars($this)) ? new PlaceParent($this->parent) : null;
    }

    /** @throws Refused */
    public function closing(): ?Closing
    {
        return null === $this->answer ? null : new Closing($this->answer, $this->to);
    }
}
