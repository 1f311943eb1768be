<?php

declare(strict_types=1);

namespace Lantern\Persistence\Words;

use Doctrine\ORM\EntityManagerInterface;
use Lantern\Core\Words\Words;
use Lantern\Persistence\Entity\PlaceRecord;
use Lantern\Persistence\Entity\WordsRecord;
use Lantern\Persistence\Journal\Person;
use Lantern\Persistence\PlaceRecords;

/** Changes where the texts of the workbench lead, as part of an edit of something else. */
final readonly class WordsRewriter
{
    public function __construct(private EntityManagerInterface $entities, private PlaceRecords $records)
    {
    }

    /**
     * In every text that leads to one of these places or addresses.
     *
     * @param list<string>           $placeIds
     * @param list<string>           $addresses
     * @param \Closure(Words): Words $rewrite
     */
    public function rewrite(array $placeIds, array $addresses, \Closure $rewrite, Person $by): void
    {
        $connection = $this->entities->getConnection();
        $ids = $connection->fetchFirstColumn(<<<'SQL'
            SELECT source_id FROM text_mention m JOIN jsonb_array_elements_text(CAST(:places AS jsonb)) AS place ON m.place_id = place::uuid
            UNION SELECT source_id FROM text_mention m JOIN jsonb_array_elements_text(CAST(:addresses AS jsonb)) AS address ON m.address = address COLLATE "C"
            SQL, ['places' => json_encode($placeIds, \JSON_THROW_ON_ERROR), 'addresses' => json_encode($addresses, \JSON_THROW_ON_ERROR)]);
        if ([] === $ids) {
            return;
        }
        $places = [];
        foreach ($this->entities->getRepository(PlaceRecord::class)->findBy(['id' => $ids]) as $place) {
            $places[$place->id] = $place;
        }
        foreach ($this->entities->getRepository(WordsRecord::class)->findBy(['id' => $ids]) as $words) {
            $html = $rewrite(new Words($words->html))->html;
            if ($html !== $words->html && isset($places[$words->id])) {
                $words->html = $html;
                $this->records->sign($places[$words->id], $by);
            }
        }
        $this->entities->flush();
        // What comes after this writes past the entities.
        $this->entities->clear();
    }
}
