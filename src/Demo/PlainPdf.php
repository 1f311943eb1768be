<?php

declare(strict_types=1);

namespace Lantern\Demo;

/** One page of plain lines as PDF 1.4 (ISO 32000-1), enough for the leaflets of the demo shop. */
final class PlainPdf
{
    /** @param list<string> $lines the first is the heading; ASCII */
    public static function of(array $lines): string
    {
        $text = 'BT /F1 20 Tf 60 760 Td ('.self::escaped(array_shift($lines) ?? '').") Tj /F1 12 Tf 0 -36 Td\n";
        foreach ($lines as $line) {
            $text .= '('.self::escaped($line).") Tj 0 -22 Td\n";
        }
        $text .= 'ET';
        $objects = [
            '<< /Type /Catalog /Pages 2 0 R >>',
            '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
            '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 5 0 R >> >> /Contents 4 0 R >>',
            \sprintf("<< /Length %d >>\nstream\n%s\nendstream", \strlen($text), $text),
            '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        ];
        $pdf = "%PDF-1.4\n";
        $offsets = [];
        foreach ($objects as $index => $object) {
            $offsets[] = \sprintf("%010d 00000 n \n", \strlen($pdf));
            $pdf .= \sprintf("%d 0 obj\n%s\nendobj\n", $index + 1, $object);
        }

        return $pdf
            .\sprintf(
                "xref\n0 %d\n0000000000 65535 f \n%strailer << /Size %1\$d /Root 1 0 R >>\nstartxref\n%3\$d\n%%%%EOF\n",
                \count($objects) + 1,
                implode('', $offsets),
                \strlen($pdf),
            );
    }

    private static function escaped(string $line): string
    {
        return addcslashes($line, '()\\');
    }
}
