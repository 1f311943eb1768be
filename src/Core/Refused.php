<?php

declare(strict_types=1);

namespace Lantern\Core;

/**
 * What was asked for breaks a rule of the job. The message is written for the person who asked:
 * it says what is wrong and what to do instead. `field` names the input it is about.
 */
class Refused extends \DomainException
{
    public function __construct(public readonly string $field, string $message, ?\Throwable $previous = null)
    {
        parent::__construct($message, 0, $previous);
    }
}
