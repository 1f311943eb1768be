<?php

declare(strict_types=1);

namespace Lantern\Tests\Story;

use Lantern\Core\Address\Address;
use Lantern\Core\Answer\Answerer;
use Lantern\Core\Impact\VisitorForwarding;
use Lantern\Core\Person\Actor;
use Lantern\Core\Place\Place;
use Lantern\Core\Refused;
use Lantern\Core\Visitor;
use Lantern\Kernel;
use Lantern\Reading\Copies\Copies;
use Lantern\Tests\ShopTestCase;
use Lantern\Workbench\Addresses\AddressEditor;
use Lantern\Workbench\Addresses\AddressWish;
use Lantern\Workbench\Edits\History;
use Lantern\Workbench\Places\PlaceRemover;
use Lantern\Workbench\Publishing\Publisher;
use Symfony\Component\HttpFoundation\Request;

/**
 * Whatever was moved, removed and brought back, in any order: each address that was ever live is
 * answered with one hop at most, and with “not found” only where somebody chose that.
 */
final class EveryAddressEverTest extends ShopTestCase
{
    private const STEPS = 500;
    private const PUBLISH_EVERY = 4;

    private \Random\Randomizer $random;
    /** @var array<string, true> every address that was ever live */
    private array $ever = [];
    /** @var array<string, true> addresses at which “not found” was chosen, and all that may lead there */
    private array $given = [];
    /** @var non-empty-array<string, int> how often each kind of step was made */
    private array $made = [
        'move' => 0,
        'carry' => 0,
        'swap' => 0,
        'remove' => 0,
        'gone' => 0,
        'not-found' => 0,
        'return' => 0,
        'undo' => 0,
    ];
    /** @var array<string, list<string>> former addresses of each place, by id */
    private array $former = [];

    public function testEachIsAnsweredInOneHop(): void
    {
        $seed = (int) (getenv('LANTERN_SEED') ?: 4711);
        $this->random = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar($seed));
        $this->remember();
        // The demo shop has redirects that lead nowhere on purpose; nobody promised those.
        $lost = array_filter(
            array_keys($this->pairs('SELECT source, id FROM live.redirect WHERE NOT is_prefix')),
            fn (string $source): bool => 404 === $this->answer($source)[0],
        );
        foreach (array_keys($this->pairs('SELECT source, id FROM live.redirect WHERE NOT is_prefix')) as $source) {
            $this->ever[$source] = true;
        }
        $this->ever = array_diff_key($this->ever, array_flip($lost));
        for ($step = 1; $step <= self::STEPS; ++$step) {
            $this->step();
            if (0 === $step % self::PUBLISH_EVERY || self::STEPS === $step) {
                $this->service(Publisher::class)->publish(Actor::commandLine('Joss'));
                $this->remember();
            }
            if (0 === $step % 100) {
                $this->askEachOfTheCore("seed $seed, step $step");
            }
        }
        self::assertGreaterThan(2, min($this->made), (string) json_encode($this->made));
        self::assertGreaterThan(400, \count($this->ever));
        $this->askTheStorefront("seed $seed");
    }

    private function step(): void
    {
        try {
            match (true) {
                ($die = $this->random->getInt(1, 24)) <= 8 => $this->move(),
                $die <= 12 => $this->carry(),
                $die <= 15 => $this->swap(),
                $die <= 19 => $this->bringBack(),
                $die <= 22 => $this->undo(),
                default => $this->remove(),
            };
        } catch (Refused) {
            // What cannot be is refused, and changes nothing.
        }
    }

    private function move(): void
    {
        $place = $this->somePlace("kind NOT IN ('front-page', 'all-products', 'all-collections', 'search', 'contact', 'file')");
        $this->readdress([[$place, $this->address($place)]], false);
        ++$this->made['move'];
    }

    private function carry(): void
    {
        $place = $this->somePlace("kind IN ('category', 'page-group', 'journal')");
        $this->readdress([[$place, $this->address($place)]], true);
        ++$this->made['carry'];
    }

    private function swap(): void
    {
        [$one, $other] = [
            $this->somePlace("kind IN ('page', 'category', 'collection')"),
            $this->somePlace("kind IN ('page', 'policy', 'collection')"),
        ];
        $this->readdress([[$one, $other->address], [$other, $one->address]], 0 === $this->random->getInt(0, 1));
        ++$this->made['swap'];
    }

    private function bringBack(): void
    {
        $id = array_keys($this->former)[$this->random->getInt(0, max(0, \count($this->former) - 1))] ?? null;
        $place = null === $id ? null : $this->service(Copies::class)->workbench->places->get($id);
        if (null !== $place) {
            $this->readdress(
                [[$place, Address::fromNormal($this->former[$id][$this->random->getInt(0, \count($this->former[$id]) - 1)])]],
                0 < $this->random->getInt(0, 2),
            );
            ++$this->made['return'];
        }
    }

    private function remove(): void
    {
        $place = $this->somePlace("kind IN ('page', 'category', 'collection', 'article', 'policy', 'page-group')");
        $choice = $this->random->getInt(0, 3);
        $onward = match ($choice) {
            0 => VisitorForwarding::gone(),
            1 => VisitorForwarding::notFound(),
            default => VisitorForwarding::to($this->somePlace("light <> 'closed' AND opens_on IS NULL AND closes_on IS NULL")),
        };
        $version = (int) $this->value('SELECT version FROM place WHERE id = ?', $place->id);
        $leadingThere = null === $onward->place && !$onward->gone ? $this->leadingTo($place) : [];
        $this->service(PlaceRemover::class)->remove($place->id, $version, $onward, $this->actor());
        ++$this->made['remove'];
        $this->made['gone'] += 0 === $choice ? 1 : 0;
        $this->made['not-found'] += 1 === $choice ? 1 : 0;
        $this->given += $leadingThere;
    }

    private function undo(): void
    {
        if (null !== $this->service(History::class)->last($this->actor())) {
            $this->service(History::class)->undo($this->actor());
            ++$this->made['undo'];
        }
    }

    /** @param list<array{Place, Address}> $wanted */
    private function readdress(array $wanted, bool $carry): void
    {
        $this->service(AddressEditor::class)->change(
            array_map(
                static fn (array $one): AddressWish => new AddressWish($one[0]->id, $one[0]->address->path, $one[1]->path, $carry),
                $wanted,
            ),
            $this->actor(),
        );
        foreach ($wanted as [$place]) {
            $this->former[$place->id][] = $place->address->path;
        }
    }

    /** A new address, often one that another place had before. */
    private function address(Place $place): Address
    {
        if (0 === $this->random->getInt(0, 2)) {
            $known = array_keys($this->ever);

            return Address::fromNormal($known[$this->random->getInt(0, \count($known) - 1)]);
        }
        $parent = 0 === $this->random->getInt(0, 1) ? Address::root() : $this->somePlace("kind IN ('category', 'page-group')")->address;

        return $parent->below($place->kind->value.'-'.$this->random->getInt(1, 40));
    }

    private function somePlace(string $where): Place
    {
        $ids = array_keys($this->pairs("SELECT id, title FROM place WHERE $where ORDER BY id"));

        return $this->service(Copies::class)->workbench->places->get($ids[$this->random->getInt(0, \count($ids) - 1)])
            ?? throw new \LogicException('It was there.');
    }

    private function remember(): void
    {
        foreach (array_keys($this->pairs("SELECT address, id FROM live.place WHERE light <> 'closed'")) as $address) {
            $this->ever[$address] = true;
        }
    }

    /** @return array<string, true> the addresses that lead to a place by now */
    private function leadingTo(Place $place): array
    {
        $copy = $this->service(Copies::class)->workbench;
        $answerer = new Answerer($copy->places, $copy->rules);
        $leading = [];
        foreach ([...array_keys($this->ever), ...array_values($this->pairs('SELECT id, address FROM live.place'))] as $address) {
            if ($answerer->answer($address, Visitor::guest(new \DateTimeImmutable()))->place?->id === $place->id) {
                $leading[$address] = true;
            }
        }

        return $leading;
    }

    /** @return array{int, string|null} */
    private function answer(string $address, bool $customer = false): array
    {
        $live = $this->service(Copies::class)->live;
        $moment = new \DateTimeImmutable();
        $answer = (new Answerer($live->places, $live->rules))->answer(
            Address::fromNormal($address)->encoded(),
            $customer ? Visitor::customer($moment) : Visitor::guest($moment),
        );

        return [$answer->status, $answer->location];
    }

    private function askEachOfTheCore(string $when): void
    {
        foreach (array_keys($this->ever) as $address) {
            [$status, $location] = $this->answer($address);
            self::assertTrue(404 !== $status || isset($this->given[$address]), "$address is not found, $when");
            if (null !== $location) {
                self::assertContains(
                    $this->answer(rawurldecode($location))[0],
                    [200, 403],
                    "$address leads to $location, which does not open, $when",
                );
            }
        }
    }

    private function askTheStorefront(string $when): void
    {
        $storefront = new Kernel('test', false, 'storefront');
        $storefront->boot();
        $ask = static fn (string $path): \Symfony\Component\HttpFoundation\Response => $storefront->handle(
            Request::create("http://shop.example$path"),
        );
        $seen = [];
        foreach (array_keys($this->ever) as $address) {
            $response = $ask(Address::fromNormal($address)->encoded());
            $seen[$response->getStatusCode()] = ($seen[$response->getStatusCode()] ?? 0) + 1;
            self::assertTrue(404 !== $response->getStatusCode() || isset($this->given[$address]), "$address is not found, $when");
            if ($response->isRedirection()) {
                self::assertContains(
                    $ask((string) $response->headers->get('Location'))->getStatusCode(),
                    [200, 403],
                    "$address takes a second hop, $when",
                );
            }
        }
        self::assertGreaterThan(100, $seen[301] ?? 0);
        self::assertGreaterThan(0, $seen[410] ?? 0);
        $storefront->shutdown();
    }
}
