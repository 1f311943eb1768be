<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Http\Eyes;
use Lantern\Admin\Http\Many;
use Lantern\Core\Release\CopyName;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** Addresses to be tried. */
#[OA\Schema]
final readonly class AnswersInput
{
    public const MOST = 1000;

    /** @param list<string> $addresses */
    public function __construct(
        #[OA\Property(type: 'array', description: 'As somebody would type them, with or without the domain of the shop', items: new OA\Items(type: 'string')), Many(min: 1, max: self::MOST), Assert\All([new Assert\Length(max: 4096)])]
        public array $addresses,
        #[OA\Property]
        public CopyName $copy = CopyName::Workbench,
        #[OA\Property]
        public Eyes $audience = Eyes::Guest,
        #[OA\Property(description: 'Now where nothing is said')]
        public ?\DateTimeImmutable $at = null,
    ) {
    }
}
