<?php

declare(strict_types=1);

namespace Lantern\Core\Policy;

/**
 * The policies that every shop needs, each with words to begin with. The blanks in them are filled
 * from the shop's details. They are a start for the person who answers for them, not legal advice.
 */
enum StartingText: string
{
    case Privacy = 'privacy';
    case Returns = 'returns';
    case Delivery = 'delivery';
    case Terms = 'terms-of-sale';
    case Cookies = 'cookies';
    case Imprint = 'imprint';

    public function title(): string
    {
        return ucfirst(str_replace('-', ' ', $this->value));
    }

    /** What it settles, for the person who chooses. */
    public function says(): string
    {
        return match ($this) {
            self::Privacy => 'What you keep about customers, why, and how they see or correct it.',
            self::Returns => 'How long a thing may come back, and who pays for the way.',
            self::Delivery => 'Where you send to, how long it takes, and what happens when it does not arrive.',
            self::Terms => 'When an order counts, what is paid when, and whose law holds.',
            self::Cookies => 'What is kept in a visitor’s browser.',
            self::Imprint => 'Who runs the shop and answers for its words.',
        };
    }

    public function html(): string
    {
        [$shop, $company, $mail, $country, $days] = array_map(
            static fn (string $name): string => "<span data-blank=\"$name\"></span>",
            ['shop', 'company', 'mail', 'country', 'days-to-return'],
        );

        return match ($this) {
            self::Privacy => <<<HTML
                <p>This page says what $company, who run $shop, keep about you, why, and for how long.</p><h2 id="what-we-keep">What we keep</h2><ul><li>Your name, your addresses and your mail address, so that an order finds you.</li><li>What you ordered and when, because the tax law of $country asks for it.</li><li>What you write to us, until it is settled.</li></ul><p>We never see the number of your card: that stays with the service that takes your payment.</p><h2 id="who-sees-it">Who else sees it</h2><p>Whoever carries your parcel gets your name and address. Whoever takes your payment gets the sum. Nobody else does, and we sell nothing of it.</p><h2 id="your-say">Your say</h2><p>Write to $mail to see what we hold about you, to correct it, or to have it deleted as far as the law lets us. We answer within a month.</p>
                HTML,
            self::Returns => <<<HTML
                <p>Not what you hoped for? You have $days days from the day it reaches you to send it back to $shop.</p><h2 id="how">How it goes</h2><ol><li>Write to $mail with the number of your order, and say what comes back.</li><li>We answer with the address to send it to.</li><li>Pack it so that it arrives as it left us.</li></ol><h2 id="the-money">The money</h2><p>You get back what you paid, the usual postage to you included, within 14 days of the parcel’s return, the way you paid it. You pay the way back, unless what came was broken or not what you had ordered.</p><h2 id="not">What cannot come back</h2><p>What was cut, made or coloured for you alone stays yours.</p>
                HTML,
            self::Delivery => <<<HTML
                <p>$shop sends parcels from $country.</p><h2 id="when">When it arrives</h2><p>Orders are packed within two working days. Within $country a parcel then takes two to four days, elsewhere five to ten. Each order’s mail has a number to follow it by.</p><h2 id="cost">What it costs</h2><p>Postage is shown before you order, and depends on weight and country. Duties of your own country, where there are any, are yours to pay.</p><h2 id="lost">When it does not arrive</h2><p>Write to $mail. We ask the carrier, and if the parcel is lost we send it again or give your money back, as you like.</p>
                HTML,
            self::Terms => <<<HTML
                <p>These terms hold between you and $company, who run $shop.</p><h2 id="order">When an order counts</h2><p>What stands in the shop is an invitation. Your order is an offer; it counts once we confirm it by mail, and then binds both of us.</p><h2 id="prices">Prices and payment</h2><p>Prices include tax. You pay when you order. Goods stay ours until they are paid for.</p><h2 id="faults">When something is wrong</h2><p>The rights that the law of $country gives you when goods are faulty are yours in full. Write to $mail, with a picture if you can.</p><h2 id="back">Changing your mind</h2><p>You have $days days to send goods back; the page about returns says how.</p><h2 id="law">Whose law</h2><p>The law of $country holds. If you buy for yourself and not for a business, the rules that protect you at home hold as well.</p>
                HTML,
            self::Cookies => <<<HTML
                <p>A cookie is a note that a web site leaves in your browser. $shop leaves as few as it can.</p><table><thead><tr><th>What for</th><th>How long</th></tr></thead><tbody><tr><td>To know that you are signed in</td><td>Until you sign out, or a week</td></tr></tbody></table><p>Nothing follows you to other web sites. Without this cookie you can still look at everything; you only cannot sign in. Questions: $mail.</p>
                HTML,
            self::Imprint => <<<HTML
                <p>$shop is run by</p><p>$company<br />$country</p><p>Mail: $mail</p><p>$company answers for what stands on these pages.</p>
                HTML,
        };
    }
}
