<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Lantern\Core\Release\CopyName;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;

#[AsMessageHandler(sign: true)]
final readonly class KeepUpHandler
{
    public function __construct(private LinkCheck $check, private Inspection $inspection)
    {
    }

    public function __invoke(KeepUp $message): void
    {
        $this->check->catchUp();
        foreach (CopyName::cases() as $copy) {
            $this->inspection->refreshDistances($copy);
        }
    }
}
