<?php

declare(strict_types=1);

namespace Lantern\Admin\Address;

use Lantern\Admin\Http\ListSize;
use Lantern\Admin\Http\PreviewAudience;
use Lantern\Core\Release\CopyName;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** Addresses to be tried. */
#[OA\Schema]
final readonly class AnswersInput
{
    public const MOST = 1000;

    /** Letters in all of them: a thousand as people know them have a third of this. */
    private const MOST_LETTERS = 200_000;

    /** @param list<string> $addresses */
    public function __construct(
        #[OA\Property(
            type: 'array',
            description: 'As somebody would type them, with or without the domain of the shop',
            items: new OA\Items(type: 'string'),
        ),
            ListSize(min: 1, max: self::MOST),
            Assert\All([new Assert\Length(max: 4096)]),]
        public array $addresses,
        #[OA\Property]
        public CopyName $copy = CopyName::Workbench,
        #[OA\Property]
        public PreviewAudience $audience = PreviewAudience::Guest,
        #[OA\Property(description: 'Now where nothing is said')]
        public ?\DateTimeImmutable $at = null,
    ) {
    }

    #[Assert\Callback]
    public function isNotTooLong(ExecutionContextInterface $context): void
    {
        if (array_sum(array_map(strlen(...), array_filter($this->addresses, is_string(...)))) > self::MOST_LETTERS) {
            $context->buildViolation('These are longer than so many addresses are. Try fewer at once.')
                ->atPath('addresses')
                ->addViolation();
        }
    }
}
