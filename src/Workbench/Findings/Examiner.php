<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Finding\DependencyKey;
use Lantern\Core\Finding\DistanceContent;
use Lantern\Core\Finding\Examination;
use Lantern\Core\Release\CopyName;
use Lantern\Reading\Copies\Copy;
use Lantern\Reading\Findings\Contents;
use Lantern\Reading\Findings\CopyKnowledge;
use Lantern\Reading\Frame\Frame;
use Lantern\Reading\Mentions\Distances;
use Lantern\Reading\Pieces\PictureReader;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Looks at parts of a copy, within a transaction that sees it, and keeps what was found. */
final readonly class Examiner
{
    /** How many of a kind are looked at together. */
    public const BATCH = ['redirect' => 2000, 'mention' => 1000, 'words' => 250, 'menu' => 100, 'place' => 1000];

    /** Places are looked at when it is known what leads to them. */
    private const FIRST = ['redirect', 'mention', 'words', 'menu'];

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ExaminedRows $rows,
        private DueQueue $due,
        private Frame $frame,
        private PictureReader $pictures,
        private Distances $distances,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl,
    ) {
    }

    /**
     * Looks at these, and at the places that they lead to since, or no longer.
     *
     * @param list<string> $subjects
     * @param string       $person   id of whoever changed them; empty: several did, or nobody
     */
    public function lookAt(CopyName $name, array $subjects, \DateTimeImmutable $moment, string $person): void
    {
        $byKind = array_fill_keys([...self::FIRST, 'place', 'frame', 'distance'], []);
        foreach ($subjects as $subject) {
            $byKind[explode(':', $subject, 2)[0]][] = $subject;
        }
        $changed = [];
        foreach (self::FIRST as $kind) {
            foreach (array_chunk($byKind[$kind], self::BATCH[$kind]) as $some) {
                $changed = [...$changed, ...$this->examine($name, $some, $moment, $person)];
            }
        }
        // What leads to a place by now, or no longer does, is for the place to say.
        $leads = array_map(DependencyKey::leads(...), array_values(array_unique($changed)));
        $led = [] === $leads ? [] : $this->rows->reaching($name, [...$leads, DependencyKey::leads('')], null);
        $rest = array_unique([...$byKind['place'], ...$byKind['frame'], ...$byKind['distance'], ...$led]);
        $near = array_values(array_diff($rest, [DistanceContent::KEY]));
        foreach (array_chunk($near, self::BATCH['place']) as $some) {
            $this->examine($name, $some, $moment, $person);
        }
        if (\count($near) < \count($rest)) {
            $this->due->putDistances($name);
        }
    }

    /**
     * @param list<string> $subjects
     *
     * @return list<string> ids of the places that something leads to since, or no longer
     */
    public function examine(CopyName $name, array $subjects, \DateTimeImmutable $moment, string $person = ''): array
    {
        // What this connection sees, and nothing that another one has kept.
        $copy = new Copy($name, $this->connection);
        $known = new CopyKnowledge($copy, $this->connection, $moment, $this->pictures, $this->storefrontUrl);
        $contents = new Contents($copy, $this->connection, $this->frame, $this->pictures, $this->distances, $moment);
        $examined = [];
        foreach ($contents->read($subjects, $known) as $content) {
            $examined[] = ExaminedSubject::of($content, new Examination($known, $moment));
        }
        $this->rows->noteOutsideLinks($examined);
        $changed = $this->rows->keepExamined($name, $subjects, $examined);
        $this->rows->keepFound($name, $subjects, $examined, $moment, $person);

        return $changed;
    }
}
