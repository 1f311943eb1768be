<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler(sign: true)]
final readonly class CatchUpHandler
{
    public function __construct(private Inspection $inspection)
    {
    }

    public function __invoke(CatchUp $message): void
    {
        $this->inspection->catchUpByParts(CopyName::from($message->copy));
    }
}
