<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler(sign: true)]
final readonly class WalkOverHandler
{
    public function __construct(private Inspection $inspection)
    {
    }

    public function __invoke(WalkOver $message): void
    {
        $this->inspection->walk(CopyName::from($message->copy), yields: true);
    }
}
