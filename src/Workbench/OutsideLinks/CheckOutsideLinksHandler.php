<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use Lantern\Core\Refused;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler(sign: true)]
final readonly class CheckOutsideLinksHandler
{
    public function __construct(private OutsideRound $round, private OutsideLinks $links)
    {
    }

    public function __invoke(CheckOutsideLinks $message): void
    {
        if (0 === $this->links->due()) {
            return;
        }
        try {
            $this->round->begin(null);
        } catch (Refused) {
            // It goes on already.
            return;
        }
    }
}
