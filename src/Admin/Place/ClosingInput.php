<?php

declare(strict_types=1);

namespace Lantern\Admin\Place;

use Lantern\Admin\Http\Id;
use Lantern\Core\Place\ClosedAnswer;
use Lantern\Core\Place\Closing;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ClosingInput
{
    public function __construct(
        #[OA\Property]
        public ClosedAnswer $answer,
        #[OA\Property(description: 'With elsewhere: id of the place'), Id]
        public ?string $to = null,
    ) {
    }

    /** @throws \Lantern\Core\Refused */
    public function closing(): Closing
    {
        return new Closing($this->answer, ClosedAnswer::Elsewhere === $this->answer ? $this->to : null);
    }
}
