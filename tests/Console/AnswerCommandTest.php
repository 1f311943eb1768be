<?php

declare(strict_types=1);

namespace Lantern\Tests\Console;

use Lantern\Demo\DemoId;
use Lantern\Tests\ShopTestCase;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Tester\CommandTester;

final class AnswerCommandTest extends ShopTestCase
{
    public function testAnswerTellsStatusTrailAndPlace(): void
    {
        $answer = $this->printed('lantern:answer', ['path' => '/Paper-Marbling?x=1']);
        self::assertSame([301, '/paper-marbling', '/papers/marbled?x=1'], [$answer['status'], $answer['address'], $answer['location']]);
        self::assertIsArray($answer['trail']);
        self::assertSame(
            ['/Paper-Marbling', '/paper-marbling', '/marbled-papers', '/papers/marbled'],
            array_column($answer['trail'], 'from'),
        );
        self::assertIsArray($answer['place']);
        self::assertSame('Marbled papers', $answer['place']['title']);
        self::assertSame(400, $this->printed('lantern:answer', ['path' => '/%00'])['status']);
    }

    public function testAnswerLooksAtACopyForAVisitorAtAMoment(): void
    {
        $this->workbench()->executeStatement("UPDATE place SET opens_on = '2030-01-01', audience = 'customers' WHERE address = '/tools'");
        $status = fn (array $options): mixed => $this->printed('lantern:answer', ['path' => '/tools'] + $options)['status'];
        self::assertSame(200, $status([]), 'live is as it was');
        self::assertSame(404, $status(['--copy' => 'workbench']));
        self::assertSame(403, $status(['--copy' => 'workbench', '--at' => '2030-06-01T00:00:00Z']));
        self::assertSame(200, $status(['--copy' => 'workbench', '--at' => '2030-06-01T00:00:00Z', '--audience' => 'customer']));
    }

    public function testMenuTellsWhatWasLeftOutAndWhy(): void
    {
        $menu = $this->printed('lantern:menu', ['bay' => 'header']);
        self::assertIsArray($menu['entries']);
        self::assertSame(
            ['Papers', 'Boards and cloth', 'Threads', 'Tools', 'Kits', 'Journal', 'About us'],
            array_column($menu['entries'], 'label'),
        );
        self::assertSame(
            [[
                'id' => DemoId::of('entries/header/6/3'),
                'label' => 'For newspapers',
                'reason' => 'place-quiet',
                'words' => 'Its place is quiet: it opens at its address, but no menu shows it.',
                'asHeading' => false,
            ]],
            $menu['leftOut'],
        );
    }

    public function testSlug(): void
    {
        self::assertSame(['slug' => 'strasse-nach-zurich'], $this->printed('lantern:slug', ['text' => 'Straße nach Zürich']));
        self::assertSame(['slug' => 'category'], $this->printed('lantern:slug', ['text' => '!', '--kind' => 'category']));
    }

    public function testWhatIsUnknownIsSaid(): void
    {
        foreach ([
            ['lantern:menu', ['bay' => 'attic']],
            ['lantern:answer', ['path' => '/', '--copy' => 'draft']],
            ['lantern:answer', ['path' => '/', '--audience' => 'friend']],
            ['lantern:answer', ['path' => '/', '--at' => 'soon']],
            ['lantern:slug', ['text' => 'x', '--kind' => 'shelf']],
        ] as [$name, $input]) {
            try {
                $this->printed($name, $input);
                self::fail("$name took it.");
            } catch (ExceptionInterface $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }

    /**
     * @param array<string, string> $input
     *
     * @return array<string, mixed>
     */
    private function printed(string $name, array $input): array
    {
        self::assertNotNull(self::$kernel);
        $tester = new CommandTester((new Application(self::$kernel))->find($name));
        $tester->execute($input);
        /** @var array<string, mixed> $data */
        $data = json_decode($tester->getDisplay(), true, flags: \JSON_THROW_ON_ERROR);

        return $data;
    }
}
