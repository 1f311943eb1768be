<?php

declare(strict_types=1);

namespace Lantern\Workbench\Redirects;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Redirect\Judgement;
use Lantern\Core\Redirect\LineOutcome;
use Lantern\Core\Redirect\Rule;
use Lantern\Core\Redirect\Sheet;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Core\Refused;
use Lantern\Core\Stale;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Redirects\RuleReader;
use Lantern\Workbench\Edits\Edit;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Locks;
use Lantern\Workbench\Edits\Progress;
use Lantern\Workbench\Edits\Subject;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** Makes, changes and takes away redirects on the workbench, one or a hundred thousand, each time as one edit. */
final readonly class RedirectEditor
{
    private const AT_ONCE = 5000;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private EditLog $edits,
        private Locks $locks,
        private RedirectRecords $records,
        private RedirectRows $rows,
        private Copies $copies,
        private ClockInterface $clock,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    /**
     * What would become of these lines; nothing is stored.
     *
     * @param list<SheetLine> $lines
     */
    public function judge(array $lines, ?Progress $progress = null): Judgement
    {
        return $this->judgeBesides($lines, [], $progress ?? new Progress());
    }

    /**
     * Stores the good lines, all of them or none.
     *
     * @param list<SheetLine> $lines
     * @param string          $origin person or file
     */
    public function take(array $lines, string $origin, Actor $by, ?Progress $progress = null): TakenSheet
    {
        $progress ??= new Progress();
        $judgement = null;
        $edit = $this->edits->run($by, Subject::Redirects, function () use ($lines, $origin, $progress, &$judgement): string {
            $this->locks->relations();
            $judgement = $this->judgeBesides($lines, [], $progress);
            $progress->enter('Storing', \count($judgement->added));
            foreach (array_chunk($judgement->added, self::AT_ONCE) as $some) {
                $rules = $notes = [];
                foreach ($some as $rule) {
                    $rules[] = $own = $rule->withId((new UuidV7())->toRfc4122());
                    $notes[$own->id] = $lines[(int) $rule->id]->note;
                }
                $this->rows->add($rules, $origin, $notes);
                $progress->advance(\count($some));
            }
            $this->rows->change($judgement->changed);
            $added = \count($judgement->added);

            return \sprintf('%d %s made.', $added, 1 === $added ? 'redirect is' : 'redirects are');
        });

        return new TakenSheet($judgement ?? throw new \LogicException('No line was judged.'), $edit);
    }

    /**
     * Makes one redirect, as somebody typed it.
     *
     * @throws Refused with the reason
     */
    public function make(SheetLine $line, Actor $by): Edit
    {
        return $this->edits->run($by, Subject::Redirects, function () use ($line): string {
            $this->locks->relations();
            $judgement = $this->judgeBesides([$line], [], new Progress());
            self::refuseUnlessGood($judgement);
            $this->records->add($judgement->added[0], $line->note);
            $this->rows->change($judgement->changed);

            return \sprintf('The redirect from %s is made.', $judgement->added[0]->sourceWords());
        });
    }

    /**
     * Gives a redirect another source, target, status, end or note.
     *
     * @param int $version that this was thought out for
     *
     * @throws Refused|NotThere|Stale
     */
    public function change(string $id, int $version, SheetLine $line, Actor $by): Edit
    {
        return $this->edits->run($by, Subject::Redirects, function () use ($id, $version, $line): string {
            $this->locks->relations();
            $redirect = $this->records->locked($id, $version);
            $judgement = $this->judgeBesides([$line], [$id], new Progress());
            self::refuseUnlessGood($judgement);
            $redirect->follow($judgement->added[0]);
            $redirect->note = $line->note;
            $this->rows->change($judgement->changed);

            return \sprintf('The redirect from %s is changed.', $judgement->added[0]->sourceWords());
        });
    }

    /**
     * Gives many redirects the same target, status or end; what is null stays.
     *
     * @param list<string> $ids
     *
     * @throws Refused with the first reason, where one of them cannot be so; then none is changed
     */
    public function changeMany(array $ids, ?string $target, ?string $status, ?string $until, Actor $by): Edit
    {
        return $this->edits->run($by, Subject::Redirects, function () use ($ids, $target, $status, $until): string {
            $this->locks->relations();
            $rules = $this->rules($ids);
            $lines = array_map(
                static fn (SheetLine $line): SheetLine => $line->with($target, $status, $until),
                $this->copies->workbench->rules->asTyped($rules),
            );
            $judgement = $this->judgeBesides($lines, $ids, new Progress());
            self::refuseUnlessGood($judgement);
            $this->rows->change([
                ...array_map(static fn (Rule $rule): Rule => $rule->withId($rules[(int) $rule->id]->id), $judgement->added),
                ...$judgement->changed,
            ]);

            return \sprintf('%d %s changed.', \count($rules), 1 === \count($rules) ? 'redirect is' : 'redirects are');
        });
    }

    /** @param list<string> $ids */
    public function remove(array $ids, Actor $by): Edit
    {
        return $this->edits->run($by, Subject::Redirects, function () use ($ids): string {
            $this->locks->relations();
            $removed = $this->rows->remove($ids);
            if (0 === $removed) {
                throw NotThere::redirect();
            }

            return \sprintf('%d %s taken away.', $removed, 1 === $removed ? 'redirect is' : 'redirects are');
        });
    }

    /**
     * @param list<string> $ids
     *
     * @return list<Rule>
     */
    private function rules(array $ids): array
    {
        $rows = $this->connection->fetchAllAssociative(<<<'SQL'
            SELECT * FROM redirect WHERE id IN (?) ORDER BY source, id
            SQL, [$ids], [ArrayParameterType::STRING]);
        if ([] === $ids || \count($rows) !== \count($ids)) {
            throw new Refused('redirects', 'Some of these redirects are no longer there. Look at the table again.');
        }

        return array_map(RuleReader::fromRow(...), $rows);
    }

    /**
     * @param list<SheetLine> $lines
     * @param list<string>    $except ids of redirects that the lines stand for
     */
    private function judgeBesides(array $lines, array $except, Progress $progress): Judgement
    {
        $progress->enter('Looking up', \count($lines));
        $paths = [];
        foreach ($lines as $line) {
            foreach ([$line->source, $line->target] as $typed) {
                $address = Sheet::address($typed, $this->storefrontUrl);
                if (null !== $address) {
                    $paths[$address->path] = true;
                }
            }
        }
        $paths = array_map(strval(...), array_keys($paths));
        $places = [];
        foreach (array_chunk($paths, self::AT_ONCE) as $some) {
            $places += $this->copies->workbench->places->atAll(array_map(Address::fromNormal(...), $some));
        }
        $known = $this->copies->workbench->rules->around($paths, $except);
        // A hundred thousand lines are held more than once as it is.
        unset($paths);
        $progress->enter('Judging', \count($lines));

        return Sheet::judge(
            $lines,
            $this->storefrontUrl,
            $places,
            $known,
            $this->clock->now(),
            $progress->advance(...),
            $this->copies->workbench->settings->zone(),
        );
    }

    /** @throws Refused */
    private static function refuseUnlessGood(Judgement $judgement): void
    {
        foreach ($judgement->lines as $judged) {
            if (LineOutcome::Added !== $judged->fate) {
                throw new Refused(
                    $judged->field,
                    \count($judgement->lines) > 1 ? "{$judged->line->source}: {$judged->words} Nothing was changed." : $judged->words,
                );
            }
        }
    }
}
