<?php

declare(strict_types=1);

namespace Lantern\Storefront\SignUp;

use Lantern\Core\Address\SplitTarget;
use Lantern\Core\Person\MailAddress;
use Lantern\Storefront\Http\Visit;
use Lantern\Storefront\Pages\Pages;
use Lantern\Workbench\Subscribers\Links;
use Lantern\Workbench\Subscribers\Outcome;
use Lantern\Workbench\Subscribers\Subscribers;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Uid\Uuid;

/** Takes addresses from the sign-ups of the shop, and what is said by the links of its letters. */
final readonly class SignUpPage
{
    private const PATH = '/sign-up';
    /** RFC 5321, 4.5.3.1.3, without the angle brackets. */
    private const LONGEST = 254;

    public function __construct(private Pages $pages, private Subscribers $subscribers)
    {
    }

    public function answer(Visit $visit, Request $request): ?Response
    {
        $split = SplitTarget::of($visit->target);
        [$path, $query] = [$split->path, $split->query];
        if (!\in_array($path, [self::PATH, Links::YES, Links::NO], true)) {
            return null;
        }
        $posted = $request->isMethod('POST') && !$visit->preview;
        if (self::PATH !== $path) {
            parse_str($query, $asked);
            $token = \is_string($asked['t'] ?? null) ? $asked['t'] : '';

            return $posted
                ? $this->followed($visit, $path, $token)
                : $this->pages->signUp($visit, ['step' => Links::YES === $path ? 'yes' : 'no', 'token' => $token]);
        }

        return $posted
            ? $this->asked($visit, $request)
            : $this->pages->signUp($visit, ['step' => 'asked' === $query ? 'asked' : 'form', 'form' => null]);
    }

    private function asked(Visit $visit, Request $request): Response
    {
        // Browsers say where a form was sent from; another site's form is not taken.
        if (!\in_array($request->headers->get('Sec-Fetch-Site', 'same-origin'), ['same-origin', 'none'], true)) {
            return new Response('Open this shop and try again.', 403, ['Content-Type' => 'text/plain']);
        }
        $form = $request->request->getString('form');
        $piece = Uuid::isValid($form) ? $visit->copy->layouts->signUp($form) : null;
        if (null === $piece || '' === $piece->list) {
            return $this->pages->signUp($visit, ['step' => 'gone'], 422);
        }
        $address = trim($request->request->getString('address'));
        $mail = MailAddress::normal($address);
        if (null === $mail) {
            return $this->pages->signUp(
                $visit,
                [
                    'step' => 'form',
                    'wrong' => true,
                    'address' => mb_substr(mb_scrub($address), 0, self::LONGEST),
                    'form' => $form,
                    'piece' => $piece,
                ],
                422,
            );
        }
        // What no person sees is filled in by programs only; they are told what everybody is.
        if (
            '' === $request->request->getString('website')
            && !$this->subscribers->ask($piece->list, $mail, $piece->agreed, Subscribers::networkOf((string) $request->getClientIp()))
        ) {
            return $this->pages->signUp($visit, ['step' => 'many', 'address' => $address, 'form' => $form, 'piece' => $piece], 429);
        }

        return new Response('', 303, ['Location' => self::PATH.'?asked', 'Cache-Control' => 'no-store']);
    }

    /** A mail program posts here, too, without anybody having seen a page (RFC 8058, 3.1): from another site, by its own means. */
    private function followed(Visit $visit, string $path, string $token): Response
    {
        $outcome = Links::YES === $path ? $this->subscribers->confirm($token) : $this->subscribers->leave($token);

        return $this->pages->signUp($visit, ['step' => $outcome->value], match ($outcome) {
            Outcome::Unknown => 404, Outcome::RanOut => 410, default => 200,
        });
    }
}
