<?php

declare(strict_types=1);

namespace Lantern\Workbench\Mends;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Finding\LinkMend;
use Lantern\Core\Finding\MendAnswer;
use Lantern\Core\Finding\MendKind;
use Lantern\Core\NotThere;
use Lantern\Core\Person\Actor;
use Lantern\Core\Words\Words;
use Lantern\Workbench\Places\PlaceRecords;
use Lantern\Workbench\Words\WordsRecord;

/** Mends the links of the words of a place, as part of an edit. */
final readonly class WordsMender
{
    public function __construct(private EntityManagerInterface $entities, private PlaceRecords $records)
    {
    }

    public function mend(Finding $finding, MendKind $kind, MendAnswer $answer, Actor $by): void
    {
        $place = $this->records->locked($finding->subject->id, null);
        $words = $this->entities->find(WordsRecord::class, $finding->subject->id, LockMode::PESSIMISTIC_WRITE) ?? throw NotThere::place();
        $words->html = (new LinkMend($finding, $kind, $answer))->of(new Words($words->html))->html;
        $this->records->sign($place, $by);
        $this->entities->flush();
    }
}
