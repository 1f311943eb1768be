<?php

declare(strict_types=1);

namespace Lantern\Workbench\Looks;

use Doctrine\DBAL\Connection;
use Lantern\Core\Looks\Looks;
use Lantern\Core\Looks\LooksSet;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Refused;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Looks\LooksSets;
use Lantern\Workbench\Edits\EditLog;
use Lantern\Workbench\Edits\Subject;
use Lantern\Workbench\Settings\SettingWriter;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\UuidV7;

/** Changes how the shop looks, one setting at a time or by a whole set, and keeps sets under a name. */
final readonly class LooksEditor
{
    /** A list that is longer is read by nobody. */
    private const MOST_SETS = 40;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private EditLog $edits,
        private Copies $copies,
        private LooksSets $sets,
        private SettingWriter $writer,
    ) {
    }

    /** @throws Refused */
    public function change(string $setting, string $value, Actor $by): void
    {
        $checked = Looks::checked($setting, $value);
        $this->edits->run($by, Subject::Frame, function () use ($setting, $checked): string {
            $this->writer->write([$setting => $checked]);

            return 'The looks are changed.';
        });
    }

    /** Puts on a whole set, as one step. */
    public function take(string $setId, Actor $by): void
    {
        $set = $this->sets->get($setId) ?? throw self::notThere();
        $this->edits->run($by, Subject::Frame, function () use ($set): string {
            $now = $this->copies->workbench->settings->all()->looks();
            $this->writer->write(array_diff_assoc($set->looks->values(), $now->values()));

            return "The looks are those of “{$set->name}”.";
        });
    }

    /** Keeps the looks of the workbench under a name, or, under one that is there, in place of what it had. */
    public function keep(string $typed, Actor $by): void
    {
        $name = LooksSet::name($typed);
        foreach (LooksSet::shipped() as $shipped) {
            if (mb_strtolower($shipped->name) === mb_strtolower($name)) {
                throw new Refused('words', "“{$shipped->name}” comes with the program and stays as it is. Choose another name.");
            }
        }
        $this->edits->run($by, Subject::Frame, function () use ($name): string {
            $looks = json_encode($this->copies->workbench->settings->all()->looks()->values(), \JSON_THROW_ON_ERROR);
            $names = array_map(static fn (LooksSet $set): string => $set->name, $this->sets->all());
            if (!\in_array($name, $names, true) && \count($names) >= self::MOST_SETS) {
                throw new Refused('words', \sprintf('There are %d sets of looks already. Forget one that nobody needs.', self::MOST_SETS));
            }
            $this->connection->executeStatement(<<<'SQL'
                INSERT INTO looks_set (id, name, looks) VALUES (?, ?, CAST(? AS jsonb)) ON CONFLICT (name) DO UPDATE
                SET looks = excluded.looks
                SQL, [(new UuidV7())->toRfc4122(), $name, $looks]);

            return "The looks are kept as “{$name}”.";
        });
    }

    public function forget(string $setId, Actor $by): void
    {
        $set = $this->sets->get($setId) ?? throw self::notThere();
        if ($set->ships) {
            throw new Refused('set', 'This set comes with the program and stays.');
        }
        $this->edits->run($by, Subject::Frame, function () use ($set): string {
            $this->connection->delete('looks_set', ['id' => $set->id]);

            return "“{$set->name}” is forgotten.";
        });
    }

    private static function notThere(): NotThere
    {
        return new NotThere('This set of looks is no longer there.');
    }
}
