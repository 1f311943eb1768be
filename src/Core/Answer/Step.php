<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

/** One step of a trail: from an address, because of something, to the next or to the end. */
final readonly class Step
{
    /**
     * @param string      $from   address
     * @param string      $why    for a person
     * @param string|null $to     address or outside URL; null where the trail ends here
     * @param string|null $ruleId the redirect that was followed
     */
    public function __construct(public string $from, public string $why, public ?string $to = null, public ?string $ruleId = null)
    {
    }
}
