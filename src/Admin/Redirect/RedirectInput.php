<?php

declare(strict_types=1);

namespace Lantern\Admin\Redirect;

use Lantern\Core\Redirect\SheetLine;
use OpenApi\Attributes as OA;
use Symfony\Component\Validator\Constraints as Assert;

/** A redirect as somebody types it. */
#[OA\Schema]
final readonly class RedirectInput
{
    public function __construct(
        #[OA\Property(description: 'An address, or /old/* for all below one'), Assert\Length(max: 4096)]
        public string $source,
        #[OA\Property(description: 'An address of the shop, /new/*, or an outside URL; empty for what is gone'), Assert\Length(max: 4096)]
        public string $target = '',
        #[OA\Property, Assert\Choice(choices: RedirectsQuery::STATUSES)]
        public string $status = '301',
        #[OA\Property(description: 'Its last day in the shop, such as 2027-03-31; empty: for ever'), Assert\Length(max: 40)]
        public string $until = '',
        #[OA\Property, Assert\Length(max: SheetLine::MAX_NOTE)]
        public string $note = '',
    ) {
    }

    public function line(): SheetLine
    {
        return new SheetLine(1, $this->source, $this->target, $this->status, $this->until, $this->note);
    }
}
