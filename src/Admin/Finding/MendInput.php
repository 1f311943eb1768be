<?php

declare(strict_types=1);

namespace Lantern\Admin\Finding;

use Lantern\Admin\Http\Id;
use Lantern\Admin\Http\ListSize;
use Lantern\Core\Finding\MendKind;
use Lantern\Workbench\Mends\Mender;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Findings to be put right in one way, as one edit. */
#[OA\Schema]
final readonly class MendInput
{
    /** @param list<string> $findings */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string')),
            ListSize(min: 1, max: Mender::MOST),
            Assert\All([new Assert\Length(max: 40)]),]
        public array $findings,
        #[OA\Property(type: 'string', enum: MendKind::class)]
        public MendKind $mend,
        #[OA\Property(description: 'Id of a place, where the mend asks for one'), Id]
        public ?string $to = null,
        #[OA\Property(description: 'Words, where the mend asks for them'), Assert\Length(max: 500)]
        public string $words = '',
    ) {
    }
}
