<?php

declare(strict_types=1);

namespace Lantern\Workbench\Subscribers;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The links of letters: each names a subscriber and what it is for, and nobody can make one but this program. */
final readonly class Links
{
    public const YES = '/sign-up/yes';
    public const NO = '/sign-up/no';

    public function __construct(
        #[Autowire(env: 'APP_SECRET')] private string $secret,
        #[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefront,
    ) {
    }

    /** One that says yes; it is another one each time that somebody asks. */
    public function yes(Subscriber $subscriber): string
    {
        return $this->storefront.self::YES.'?t='.$this->token($subscriber->id, 'yes '.$subscriber->askedAt->getTimestamp());
    }

    /** One that ends the letters; it stays the same, since old letters are kept. */
    public function no(Subscriber $subscriber): string
    {
        return $this->storefront.self::NO.'?t='.$this->token($subscriber->id, 'no');
    }

    /** Whom a token names, whoever made it; null: nobody. */
    public static function subscriberId(string $token): ?string
    {
        return 1 === preg_match('/^([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\.[\w-]{43}$/D', $token, $found) ? $found[1] : null;
    }

    public function isYes(string $token, Subscriber $subscriber): bool
    {
        return hash_equals($this->token($subscriber->id, 'yes '.$subscriber->askedAt->getTimestamp()), $token);
    }

    public function isNo(string $token, Subscriber $subscriber): bool
    {
        return hash_equals($this->token($subscriber->id, 'no'), $token);
    }

    private function token(string $id, string $for): string
    {
        return $id.'.'.rtrim(strtr(base64_encode(hash_hmac('sha256', "letters $id $for", $this->secret, true)), '+/', '-_'), '=');
    }
}
