<?php

declare(strict_types=1);

namespace Lantern\Core\Finding;

use Lantern\Core\Visitor;

/** One look at one part of the shop: what was found, what it leads to, and what it depends on. */
final class Examination
{
    /** @var array<string, Finding> by id */
    private array $findings = [];
    /** @var array<string, true> */
    private array $leads = [];
    public readonly RecordingKnowledge $shop;
    public readonly Visitor $guest;
    public readonly LinkCheck $links;

    public function __construct(Knowledge $known, public readonly \DateTimeImmutable $moment)
    {
        $this->shop = new RecordingKnowledge($known, $moment);
        $this->guest = Visitor::guest($moment);
        $this->links = new LinkCheck($this);
    }

    /** The first of its kind about the same stands; the next is counted with it. */
    public function note(Finding $finding): void
    {
        $this->findings[$finding->id] = isset($this->findings[$finding->id]) ? $this->findings[$finding->id]->again() : $finding;
    }

    /** That a visitor comes to a place from here. */
    public function leadsTo(string $placeId): void
    {
        $this->leads[$placeId] = true;
    }

    /** A day as it is told: in the time zone of the shop. */
    public function day(\DateTimeImmutable $moment): string
    {
        return $moment->setTimezone($this->shop->zone())->format('j F Y');
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return array_values($this->findings);
    }

    /** @return list<string> ids of places */
    public function leads(): array
    {
        return array_map(strval(...), array_keys($this->leads));
    }
}
