<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

/** What is costly: a person at work never meets the limit, a program that runs wild does. */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class Limited
{
    public function __construct(public Costly $what)
    {
    }
}
