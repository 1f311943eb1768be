<?php

declare(strict_types=1);

namespace Lantern\Tests\Interchange\Csv;

use Eris\Generators;
use Eris\TestTrait;
use Lantern\Core\Redirect\SheetLine;
use Lantern\Interchange\Csv\RedirectCsv;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RedirectCsvTest extends TestCase
{
    use TestTrait;

    #[DataProvider('formulas')]
    public function testNoCellThatIsWrittenIsAFormulaToASpreadsheet(string $cell): void
    {
        $written = RedirectCsv::line(['/a', '/b', '301', '', $cell]);
        $read = str_getcsv(rtrim($written, "\r\n"), ',', '"', '');
        self::assertDoesNotMatchRegularExpression('/^[=+\-@\t\r]/', (string) $read[4]);
        self::assertSame(trim($cell), self::read($written)[0]->note, 'and it is read back as it was');
    }

    /** @return iterable<int, array{string}> */
    public static function formulas(): iterable
    {
        foreach (['=HYPERLINK("https://evil.example","x")', '+1', '-1+2', '@SUM(A1)', "'=1", "''+1", '=1,2', '-'] as $cell) {
            yield [$cell];
        }
    }

    public function testWhateverIsNotedComesBackAsItWas(): void
    {
        $this->limitTo(300)->forAll(
            Generators::string(),
            Generators::elements('', '=', '+', "'", "'=", '"', ';', '@', "'''-"),
        )->then(static function (string $note, string $begin): void {
            $note = mb_substr(trim($begin.preg_replace('/[\x00-\x1F\x7F]/', '', mb_scrub($note, 'UTF-8'))), 0, SheetLine::MAX_NOTE);
            self::assertSame($note, self::read(RedirectCsv::line(['/a', '/b', '301', '', $note]))[0]->note);
        });
    }

    /** @return list<SheetLine> */
    private static function read(string $csv): array
    {
        $file = fopen('php://memory', 'r+');
        self::assertNotFalse($file);
        fwrite($file, RedirectCsv::line(RedirectCsv::HEADINGS).$csv);
        rewind($file);

        return array_values(iterator_to_array(RedirectCsv::read($file), false));
    }
}
