<?php

declare(strict_types=1);

namespace Lantern\Workbench\Addresses;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Address\Address;
use Lantern\Core\Impact\AddressChange;
use Lantern\Core\Impact\AddressPlanner;
use Lantern\Core\Impact\ChangedAddress;
use Lantern\Core\Impact\Readdressing;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;
use Lantern\Core\Words\Words;
use Lantern\Reading\Answers\RememberedPlaces;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Sql\PgArray;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\MenuMoves;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Places\WordsRewriter;
use Lantern\Workbench\Redirects\RedirectRows;
use Psr\Clock\ClockInterface;

/** Changes addresses of places on the workbench, one or many, as one edit with the redirects that belong to it. */
final readonly class AddressEditor
{
    public const MOST = 500;
    private const MOVED_AT_ONCE = 2000;

    public function __construct(
        private EntityManagerInterface $entities,
        private EditLog $edits,
        private Locks $locks,
        private RedirectRows $redirects,
        private Copies $copies,
        private WordsRewriter $words,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What these changes would do together, without doing them. Where some cannot be, it is told why,
     * and what the others would do.
     *
     * @param list<AddressWish> $wishes
     *
     * @throws Refused|NotThere
     */
    public function judge(array $wishes): JudgedWishes
    {
        $read = $this->read($wishes);
        $judged = $this->planner($read->good)->judge($read->good);
        $problems = $read->problems + $judged->problems;

        return new JudgedWishes(
            array_map(
                static fn (AddressWish $wish): JudgedWish => new JudgedWish(
                    $wish->placeId,
                    $read->addresses[$wish->placeId] ?? null,
                    $problems[$wish->placeId] ?? null,
                ),
                $wishes,
            ),
            $judged->change,
        );
    }

    /**
     * Makes the changes: all of them, or none.
     *
     * @param list<AddressWish> $wishes
     *
     * @throws Refused
     */
    public function change(array $wishes, Actor $by, Progress $progress = new Progress()): Edit
    {
        return $this->edits->run($by, Subject::Places, function (MenuMoves $menus) use ($wishes, $by, $progress): string {
            $progress->enter('Planning', 1);
            $this->locks->relations();
            $this->lock($wishes);
            $read = $this->read($wishes);
            foreach ($read->problems as $problem) {
                throw new Refused('address', $problem);
            }
            $wanted = array_values(array_filter(
                $read->good,
                static fn (Readdressing $one): bool => !$one->to->equals($one->place->address),
            ));
            if ([] === $wanted) {
                throw new Refused('address', 'These are the addresses they have already. Type others.');
            }
            $change = $this->planner($wanted)->plan($wanted);
            $progress->advance();
            $this->rewriteTexts($change->moved, $by, $menus);
            $this->move($change->moved, $by, $progress);
            $this->redirects->carryOut($change->dropped, $change->retargeted, $change->made);

            return 1 === \count($change->asked)
                ? \sprintf('“%s” stands at %s now%s.', $change->asked[0]->title, $change->asked[0]->to, self::along($change))
                : \sprintf('%d places have other addresses now%s.', \count($change->asked), self::along($change));
        });
    }

    /**
     * How many places these wishes would move, with all that they carry along.
     *
     * @param list<AddressWish> $wishes
     */
    public function size(array $wishes): int
    {
        $places = $this->copies->workbench->places->byIds(array_map(static fn (AddressWish $wish): string => $wish->placeId, $wishes));
        $carrying = array_filter($wishes, static fn (AddressWish $wish): bool => $wish->carryBelow && isset($places[$wish->placeId]));

        return \count($wishes) + $this->copies->workbench->places->countBelowAny(array_values(array_map(
            static fn (AddressWish $wish): Address => $places[$wish->placeId]->address,
            $carrying,
        )));
    }

    private static function along(AddressChange $change): string
    {
        $along = \count($change->moved) - \count($change->asked);

        return 0 === $along ? '' : \sprintf(', and %d below with %s', $along, 1 === \count($change->asked) ? 'it' : 'them');
    }

    /** @param list<AddressWish> $wishes */
    private function lock(array $wishes): void
    {
        $ids = array_map(static fn (AddressWish $wish): string => $wish->placeId, $wishes);
        $this->entities->getConnection()->executeStatement(<<<'SQL'
            SELECT 1 FROM place WHERE id = ANY (CAST(? AS uuid[])) ORDER BY id FOR UPDATE
            SQL, [PgArray::of($ids)]);
    }

    /**
     * @param list<AddressWish> $wishes
     *
     * @throws Refused|NotThere
     */
    private function read(array $wishes): ReadWishes
    {
        if ([] === $wishes || \count($wishes) > self::MOST) {
            throw new Refused('places', \sprintf('Choose from 1 to %d places at once.', self::MOST));
        }
        $places = $this->copies->workbench->places->byIds(array_map(static fn (AddressWish $wish): string => $wish->placeId, $wishes));
        $carrying = array_values(array_filter(
            $wishes,
            static fn (AddressWish $wish): bool => $wish->carryBelow && true === ($places[$wish->placeId] ?? null)?->kind->hasPlacesBelow(),
        ));
        $below = array_values($this->copies->workbench->places->belowAny(array_map(
            static fn (AddressWish $wish): Address => $places[$wish->placeId]->address,
            $carrying,
        )));
        $good = $addresses = $problems = [];
        foreach ($wishes as $wish) {
            $place = $places[$wish->placeId] ?? null;
            if (null === $place) {
                throw NotThere::place();
            }
            try {
                $to = $addresses[$place->id] = Address::typed($wish->to);
            } catch (Refused $refused) {
                $problems[$place->id] = $refused->getMessage();
                continue;
            }
            if ($place->address->path !== $wish->seen) {
                $problems[$place->id] = \sprintf(
                    'Somebody gave “%s” the address %s meanwhile. Look at it again.',
                    $place->title,
                    $place->address,
                );
                continue;
            }
            $along = \in_array($wish, $carrying, true) && !$to->equals($place->address)
                ? array_values(array_filter($below, static fn (Place $one): bool => $one->address->isBelow($place->address)))
                : [];
            $good[] = new Readdressing($place, $to, $along);
        }

        return new ReadWishes($good, $addresses, $problems);
    }

    /** @param list<Readdressing> $wanted */
    private function planner(array $wanted): AddressPlanner
    {
        $ids = $old = $new = $carried = [];
        foreach ($wanted as $wish) {
            foreach ([$wish->place, ...$wish->below] as $place) {
                $ids[] = $place->id;
                $old[] = $place->address;
                $new[] = $place->address->rebased($wish->place->address, $wish->to);
            }
            if ([] !== $wish->below) {
                array_push($carried, $wish->place->address, $wish->to);
            }
        }
        $live = $this->copies->live->places;
        $known = array_map(static fn (Place $place): Address => $place->address, $live->byIds($ids));
        foreach ($live->atAll($old) as $place) {
            $known[$place->id] ??= $place->address;
        }
        $places = new RememberedPlaces($this->copies->workbench->places);
        $places->remember([...$old, ...$new, ...array_values($known)], array_keys($known));

        return new AddressPlanner(
            $places,
            $known,
            $this->copies->live->rules->sourcesAmong($old),
            $this->copies->workbench->rules->concernedBy([...$old, ...$new, ...array_values($known)], $carried),
        );
    }

    /**
     * Links that were typed become references.
     *
     * @param list<ChangedAddress> $moved
     */
    private function rewriteTexts(array $moved, Actor $by, MenuMoves $menus): void
    {
        $ids = [];
        foreach ($moved as $one) {
            $ids[$one->from->path] = $one->placeId;
        }
        $this->words->rewrite(
            [],
            array_map(strval(...), array_keys($ids)),
            static fn (Words $words): Words => $words->referring($ids),
            $by,
            $menus,
        );
    }

    /** @param list<ChangedAddress> $moved */
    private function move(array $moved, Actor $by, Progress $progress): void
    {
        $progress->enter('Moving', \count($moved));
        $this->entities->getConnection()->executeStatement('SET CONSTRAINTS ALL DEFERRED');
        foreach (array_chunk($moved, self::MOVED_AT_ONCE) as $some) {
            $this->entities->getConnection()->executeStatement(<<<'SQL'
                UPDATE place p SET address = m.address, version = p.version + 1, changed_at = :now, changed_by = :by
                FROM jsonb_to_recordset(CAST(:moved AS jsonb)) AS m(id uuid, address text) WHERE p.id = m.id
                SQL, [
                'moved' => json_encode(
                    array_map(static fn (ChangedAddress $one): array => ['id' => $one->placeId, 'address' => $one->to->path], $some),
                    \JSON_THROW_ON_ERROR,
                ),
                'now' => $this->clock->now()->format(\DATE_ATOM),
                'by' => $by->name,
            ]);
            $progress->advance(\count($some), tell: true);
        }
    }
}
