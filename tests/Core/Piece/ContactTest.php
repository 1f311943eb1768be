<?php

declare(strict_types=1);

namespace Lantern\Tests\Core\Piece;

use Lantern\Core\Piece\Contact;
use Lantern\Core\Piece\ContactDetail;
use Lantern\Core\Refused;
use PHPUnit\Framework\TestCase;

final class ContactTest extends TestCase
{
    public function testItShowsWhatThereIsInOneOrder(): void
    {
        $contact = new Contact([ContactDetail::Mail, ContactDetail::Phone, ContactDetail::Name]);
        self::assertSame(
            ['name' => 'Tansy & Rook', 'mail' => 'hello@shop.example'],
            $contact->shown(['mail' => 'hello@shop.example', 'name' => 'Tansy & Rook', 'phone' => '', 'notice' => 'x']),
        );
        self::assertTrue($contact->equals(new Contact([ContactDetail::Name, ContactDetail::Mail, ContactDetail::Phone])));
    }

    public function testMailAndTelephoneLeadThere(): void
    {
        self::assertSame(
            'mailto:hello+shop@shop.example',
            urldecode(str_replace('+', '%2B', (string) ContactDetail::Mail->href('hello+shop@shop.example'))),
        );
        self::assertSame(
            'mailto:a%3Fb@shop.example',
            ContactDetail::Mail->href('a?b@shop.example'),
            'nothing of an address is a question (RFC 6068)',
        );
        self::assertSame('tel:+441632960018', ContactDetail::Phone->href('+44 (1632) 960-018'));
        self::assertNull(ContactDetail::Street->href('The Old Press'));
    }

    public function testOneOfNothingIsRefused(): void
    {
        $this->expectException(Refused::class);
        new Contact([]);
    }
}
