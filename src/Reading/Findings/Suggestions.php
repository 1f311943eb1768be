<?php

declare(strict_types=1);

namespace Lantern\Reading\Findings;

use Doctrine\DBAL\Connection;
use Lantern\Core\Address\Address;
use Lantern\Core\Address\BadAddress;
use Lantern\Core\Finding\Finding;
use Lantern\Core\Place\Place;
use Lantern\Core\Place\PlaceKind;
use Lantern\Reading\Copies\Copies;
use Lantern\Reading\Places\PlaceTable;
use Lantern\Reading\Relatives\RelativeReader;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Where something could lead that leads nowhere: to what had the address before, to what is near the place that is closed, to what has its
 * words.
 */
final readonly class Suggestions
{
    private const MOST = 6;

    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private Copies $copies,
        private RelativeReader $relatives,
        private PlaceTable $table,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<SuggestedPlace> likeliest first */
    public function of(Finding $finding): array
    {
        $found = [];
        $now = $this->clock->now();
        $add = static function (SuggestedPlace $one) use (&$found, $now): void {
            if ($one->place->opensAt($now) && \count($found) < self::MOST) {
                $found[$one->place->id] ??= $one;
            }
        };
        $address = $finding->detail('address');
        if ('' !== $address) {
            $ids = $this->connection->fetchFirstColumn(<<<'SQL'
                SELECT DISTINCT r.row_id FROM journal.release_row r WHERE r.table_name = 'place'
                AND (r.before ->> 'address' = :address OR r.after ->> 'address' = :address) LIMIT 5
                SQL, ['address' => $address]);
            foreach ($this->copies->workbench->places->byIds(array_values(array_filter($ids, \is_string(...)))) as $place) {
                $add(new SuggestedPlace($place, 'had this address before'));
            }
        }
        $place = '' === $finding->detail('place') ? null : $this->copies->workbench->places->get($finding->detail('place'));
        if (null !== $place) {
            foreach ($this->relatives->of($place) as $relative) {
                $add(new SuggestedPlace($relative->place, $relative->words()));
            }
        }
        foreach ($this->words($finding) as $words) {
            foreach ($this->table->find($words, null, self::MOST) as $listed) {
                $add(new SuggestedPlace($listed->place, 'has a name like it'));
            }
        }

        // The longest address of those above it is the nearest.
        $above = array_filter(
            $this->copies->workbench->places->atAll(self::above($address)),
            static fn (Place $one): bool => PlaceKind::FrontPage !== $one->kind,
        );
        usort($above, static fn (Place $one, Place $other): int => \strlen($other->address->path) <=> \strlen($one->address->path));
        if ([] !== $above) {
            $add(new SuggestedPlace($above[0], 'stands above this address'));
        }

        return array_values($found);
    }

    /** @return list<Address> those above it */
    private static function above(string $address): array
    {
        try {
            return '' === $address ? [] : Address::parse($address)->ancestors();
        } catch (BadAddress) {
            return [];
        }
    }

    /** @return list<string> what its address, or its label, says */
    private function words(Finding $finding): array
    {
        $steps = explode('/', '' === $finding->detail('address') ? $finding->subject->name : $finding->detail('address'));
        $label = 1 === preg_match('/^“(.*)”$/Dus', $finding->detail('link'), $found) ? $found[1] : '';

        return array_values(array_unique(array_filter(
            [str_replace('-', ' ', $steps[\count($steps) - 1]), $label],
            static fn (string $one): bool => mb_strlen($one) > 2,
        )));
    }
}
