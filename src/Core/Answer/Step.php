<?php

declare(strict_types=1);

namespace Lantern\Core\Answer;

/** One step of a trail: from an address, because of something, to the next or to the end. */
final readonly class Step
{
    /**
     * @param string|null $to     where it leads on to
     * @param string|null $ruleId of the redirect that leads on
     * @param string      $about  what the redirect is, or what is wrong with the address
     * @param string|null $prefix source of the redirect, where it is one for all that stands below that
     */
    public function __construct(
        public string $from,
        public StepReason $why,
        public ?string $to = null,
        public ?string $ruleId = null,
        public string $about = '',
        public ?string $prefix = null,
    ) {
    }

    public function words(): string
    {
        return $this->why->words($this->about);
    }
}
