<?php

declare(strict_types=1);

namespace Lantern\Workbench\OutsideLinks;

use League\Uri\Exceptions\SyntaxError;
use League\Uri\Uri;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/**
 * Asks other web sites whether an address of theirs answers, politely: for the head first (RFC 9110, 9.3.2), for the whole only
 * where that is refused, and then without reading it. Where a redirect leads is looked at before it is followed. The client that
 * it asks by goes to no private network, whatever a name resolves to.
 */
final readonly class OutsideClient
{
    private const MOST_REDIRECTS = 5;
    private const SECONDS = 10.0;
    private const NAME = 'GentleLantern-link-check/1.0';

    /** How long a host is left alone that says that it is asked too often, and for how long. */
    private const PATIENCE = 3600;
    private const LEAST_PATIENCE = 60;
    private const MOST_PATIENCE = 86_400;

    /** @param float $seconds that an answer may take */
    public function __construct(
        #[Autowire(service: 'lantern.outside_client')] private HttpClientInterface $client,
        private float $seconds = self::SECONDS,
    ) {
    }

    public function ask(string $url): CheckedLink
    {
        $asked = $this->follow($url);
        if (200 !== $asked->status || null !== $asked->moved || !str_starts_with(strtolower($url), 'http://')) {
            return $asked;
        }
        $secure = $this->follow((string) preg_replace('/^http:/i', 'https:', $url));

        return new CheckedLink($asked->status, null, 200 === $secure->status && null === $secure->moved, '');
    }

    private function follow(string $url): CheckedLink
    {
        $at = $url;
        $forGood = true;
        $seen = [self::withoutFragment($at) => true];
        for ($hops = 0;; ++$hops) {
            try {
                $answer = $this->once($at);
            } catch (ExceptionInterface $failure) {
                return new CheckedLink(0, null, false, self::words($failure));
            }
            if ($answer->asksForPatience()) {
                return new CheckedLink(
                    $answer->status,
                    null,
                    false,
                    'asks for patience',
                    min(max($answer->retryAfter ?? self::PATIENCE, self::LEAST_PATIENCE), self::MOST_PATIENCE),
                    self::host($at),
                );
            }
            if (!$answer->redirects() || null === $answer->location) {
                // An answer that is no page, but no “not found” either, is somebody’s choice: a page behind a sign-in, say.
                $arrived = $answer->status < 400 || \in_array($answer->status, [401, 403, 405, 451], true);

                return new CheckedLink($arrived ? 200 : $answer->status, $arrived && $hops > 0 && $forGood ? $at : null, false, '');
            }
            $forGood = $forGood && $answer->isForGood();
            $next = $answer->location;
            if ($hops >= self::MOST_REDIRECTS || isset($seen[self::withoutFragment($next)])) {
                return new CheckedLink(0, null, false, 'it redirects in a circle, or too often');
            }
            if (1 !== preg_match('/^https?:\/\/[^\/]/i', $next)) {
                return new CheckedLink(0, null, false, 'it redirects to what is no web address');
            }
            $seen[self::withoutFragment($next)] = true;
            $at = $next;
        }
    }

    /** @throws ExceptionInterface */
    private function once(string $url): HttpAnswer
    {
        $answer = $this->request('HEAD', $url);
        if (\in_array($answer->status, [400, 403, 404, 405, 500, 501], true)) {
            // Some answer otherwise, or not at all, when only the head is asked for.
            $answer = $this->request('GET', $url);
        }

        return $answer;
    }

    /** @throws ExceptionInterface */
    private function request(string $method, string $url): HttpAnswer
    {
        $response = $this->client->request($method, $url, [
            'max_redirects' => 0, 'timeout' => $this->seconds, 'max_duration' => $this->seconds, 'buffer' => false, 'headers' => [
                'User-Agent' => self::NAME,
                'Accept' => '*/*',
            ],
        ]);
        $status = $response->getStatusCode();
        $headers = $response->getHeaders(false);
        $location = $headers['location'][0] ?? null;
        // What comes after the head is left where it is.
        $response->cancel();

        return new HttpAnswer(
            $status,
            null === $location ? null : self::absolute($location, $url),
            self::seconds($headers['retry-after'][0] ?? ''),
        );
    }

    /**
     * Resolved against the address that was asked (RFC 3986, 5.2), whose fragment goes along where the new one has none (RFC 9110, 10.2.2).
     */
    private static function absolute(string $location, string $from): string
    {
        try {
            $resolved = Uri::new($from)->resolve($location);
            $fragment = Uri::new($from)->getFragment();

            return (null === $resolved->getFragment() && null !== $fragment ? $resolved->withFragment($fragment) : $resolved)->toString();
        } catch (SyntaxError) {
            return $location;
        }
    }

    private static function withoutFragment(string $url): string
    {
        return explode('#', $url, 2)[0];
    }

    private static function host(string $url): string
    {
        return OutsideLinks::host($url);
    }

    /** Retry-After as seconds or as a date (RFC 9110, 10.2.3); null where it says nothing that can be read. */
    private static function seconds(string $retryAfter): ?int
    {
        if (ctype_digit($retryAfter)) {
            return (int) substr($retryAfter, 0, 9);
        }
        $date = \DateTimeImmutable::createFromFormat(\DATE_RFC7231, $retryAfter);

        return false === $date ? null : max(0, $date->getTimestamp() - time());
    }

    private static function words(ExceptionInterface $failure): string
    {
        $why = strtolower($failure->getMessage());

        return match (true) {
            str_contains($why, 'blocked') => 'its name leads into a private network',
            str_contains($why, 'resolve') => 'nobody knows its name',
            str_contains(
                $why,
                'timeout',
            ), str_contains($why, 'timed out'), str_contains($why, 'max duration') => 'it did not answer within ten seconds',
            str_contains($why, 'ssl'), str_contains($why, 'certificate'), str_contains($why, 'tls') => 'its certificate is not in order',
            str_contains($why, 'refused'), str_contains($why, 'connect') => 'it refuses',
            default => 'it broke off',
        };
    }
}
