<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mends;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Finding\ByHand;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\NotThere;
use Lantern\Core\Place\Place;
use Lantern\Core\Redirect\Goal;
use Lantern\Core\Redirect\RedirectStatus;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Redirects\RedirectRecords;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Mends of redirects, and of what stands outside, as part of an edit. */
final readonly class RedirectMends
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private RedirectRecords $redirects,
        private Copies $copies,
        private ClockInterface $clock,
    ) {
    }

    /** @throws Refused */
    public function ofRedirect(Finding $finding, MendKind $kind, MendAnswer $answer): void
    {
        $redirect = $this->redirects->locked($finding->subject->id, null);
        $rule = $redirect->rule();
        match ($kind) {
            MendKind::TakeOut => $this->redirects->remove($redirect),
            MendKind::LeadElsewhere => $redirect->follow(self::leading($rule, Goal::place($answer->placeId()))),
            MendKind::Straighten => $redirect->follow(self::leading($rule, $this->end($rule->source))),
            MendKind::NewAddress => $redirect->follow(self::leading($rule, Goal::outside($finding->detail('new')))),
            default => throw new ByHand(),
        };
    }

    /** @throws Refused */
    public function ofMention(Finding $finding, MendKind $kind, MendAnswer $answer): void
    {
        $address = Address::fromNormal($finding->detail('address'));
        match ($kind) {
            MendKind::LeadOn => $this->lead($address, Goal::place($answer->placeId())),
            MendKind::Straighten => $this->lead($address, $this->end($address)),
            MendKind::NoteAddress => $this->connection->update(
                'outside_mention',
                ['address' => $this->place($finding)->address->path],
                ['id' => $finding->subject->id],
            ),
            default => throw new ByHand(),
        };
    }

    private function lead(Address $from, Goal $goal): void
    {
        $redirect = $this->redirects->lockedOf($from);
        if (null === $redirect) {
            $this->redirects->add(new Rule('', $from, false, $goal, RedirectStatus::ForGood));
        } else {
            $redirect->follow(self::leading($redirect->rule(), $goal));
        }
    }

    private function place(Finding $finding): Place
    {
        $id = $finding->detail('place');

        return ('' === $id ? null : $this->copies->workbench->places->get($id)) ?? throw NotThere::place();
    }

    /** Where whoever comes to an address ends. */
    private function end(Address $from): Goal
    {
        // With what was mended before it, as part of the same edit.
        $this->redirects->write();
        $workbench = $this->copies->workbench;
        $answer = (new Answerer($workbench->places, $workbench->rules))->answer($from->encoded(), Visitor::guest($this->clock->now()));

        return match (true) {
            null !== $answer->place => Goal::place($answer->place->id),
            null !== $answer->location && !str_starts_with($answer->location, '/') => Goal::outside($answer->location),
            default => throw new Refused('mend', 'It leads nowhere by now. Choose a place for it.'),
        };
    }

    private static function leading(Rule $rule, Goal $goal): Rule
    {
        return new Rule(
            $rule->id,
            $rule->source,
            $rule->prefix,
            $goal,
            RedirectStatus::Gone === $rule->status ? RedirectStatus::ForGood : $rule->status,
            $rule->until,
        );
    }
}
