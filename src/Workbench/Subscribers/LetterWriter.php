<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

use Lantern\Reading\Copies\Copies;
use Lantern\Workbench\Letters\Sender;
use Symfony\Component\Mime\Email;
use Twig\Environment;

/** Writes the letters that the program sends by itself, as mails with a text and an HTML part. */
final readonly class LetterWriter
{
    public function __construct(private Copies $copies, private Links $links, private Environment $twig)
    {
    }

    /** Asks whoever has an address to say yes; or tells that they are on the list. Null: there is nothing to write. */
    public function letter(Subscriber $subscriber): ?Email
    {
        $template = match ($subscriber->standing) {
            SubscriptionState::Asked => 'ask', SubscriptionState::Confirmed => 'welcome', SubscriptionState::Left => null,
        };
        if (null === $template) {
            return null;
        }
        $settings = $this->copies->live->settings;
        $settings->forget();
        $shop = $settings->all();
        $values = [
            'shop' => $shop->values,
            'list' => $subscriber->list,
            'agreed' => $subscriber->agreed,
            'yes' => $this->links->yes($subscriber),
            'no' => $this->links->no($subscriber),
            'accent' => $shop->looks()->accent->hex(),
        ];
        $email = (new Email())
            ->from(Sender::of($shop))
            ->to($subscriber->address)
            ->subject(
                'ask' === $template
                    ? \sprintf('%s: may we write to you?', $shop->name())
                    : \sprintf('%s: you are on the list', $shop->name()),
            )
            ->text($this->twig->render("letters/$template.txt.twig", $values))
            ->html($this->twig->render("letters/$template.html.twig", $values));
        // RFC 2369, 3.2, and RFC 8058: one click in the mail program ends the letters.
        $email->getHeaders()->addTextHeader('List-Unsubscribe', "<{$values['no']}>");
        $email->getHeaders()->addTextHeader('List-Unsubscribe-Post', 'List-Unsubscribe=One-Click');
        // Nobody's absence is to be told to a program (RFC 3834).
        $email->getHeaders()->addTextHeader('Auto-Submitted', 'auto-generated');

        return $email;
    }
}
