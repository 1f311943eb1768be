<?php

declare(strict_types=1);

namespace Lantern\Workbench\Findings;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/**
 * Asks other web sites whether an address of theirs answers, politely: for the head first (RFC 9110, 9.3.2), for the whole only
 * where that is refused, and then without reading it. Where a redirect leads is looked at before it is followed. The client that
 * it asks by goes to no private network, whatever a name resolves to.
 */
final readonly class OutsideAsker
{
    private const MOST_REDIRECTS = 5;
    private const SECONDS = 10.0;
    private const NAME = 'GentleLantern-link-check/1.0';

    /** How long a host is left alone that says that it is asked too often, and for how long. */
    private const PATIENCE = 3600;

    /** @param float $seconds that an answer may take */
    public function __construct(#[Autowire(service: 'lantern.outside_client')] private HttpClientInterface $client, private float $seconds = self::SECONDS)
    {
    }

    public function ask(string $url): AskedOutside
    {
        $asked = $this->follow($url);
        if (200 !== $asked->status || null !== $asked->moved || !str_starts_with(strtolower($url), 'http://')) {
            return $asked;
        }
        $secure = $this->follow((string) preg_replace('/^http:/i', 'https:', $url));

        return new AskedOutside($asked->status, null, 200 === $secure->status && null === $secure->moved, '');
    }

    private function follow(string $url): AskedOutside
    {
        $at = $url;
        $forGood = true;
        $seen = [$at => true];
        for ($hops = 0;; ++$hops) {
            try {
                [$status, $location, $patience] = $this->once($at);
            } catch (ExceptionInterface $failure) {
                return new AskedOutside(0, null, false, self::words($failure));
            }
            if (429 === $status || 503 === $status) {
                return new AskedOutside($status, null, false, 'asks for patience', min($patience ?? self::PATIENCE, 86_400));
            }
            if (!\in_array($status, [301, 302, 303, 307, 308], true) || null === $location) {
                // An answer that is no page, but no “not found” either, is somebody’s choice: a page behind a sign-in, say.
                $arrived = $status < 400 || \in_array($status, [401, 403, 405, 451], true);

                return new AskedOutside($arrived ? 200 : $status, $arrived && $hops > 0 && $forGood ? $at : null, false, '');
            }
            $forGood = $forGood && (301 === $status || 308 === $status);
            if ($hops >= self::MOST_REDIRECTS || isset($seen[$location])) {
                return new AskedOutside(0, null, false, 'it redirects in a circle, or too often');
            }
            if (1 !== preg_match('/^https?:\/\/[^\/]/i', $location)) {
                return new AskedOutside(0, null, false, 'it redirects to what is no web address');
            }
            $seen[$location] = true;
            $at = $location;
        }
    }

    /**
     * @return array{int, string|null, int|null} status, where it redirects to, after how many seconds to ask again
     *
     * @throws ExceptionInterface
     */
    private function once(string $url): array
    {
        $answer = $this->request('HEAD', $url);
        if (\in_array($answer[0], [400, 403, 404, 405, 500, 501], true)) {
            // Some answer otherwise, or not at all, when only the head is asked for.
            $answer = $this->request('GET', $url);
        }

        return $answer;
    }

    /**
     * @return array{int, string|null, int|null}
     *
     * @throws ExceptionInterface
     */
    private function request(string $method, string $url): array
    {
        $response = $this->client->request($method, $url, [
            'max_redirects' => 0, 'timeout' => $this->seconds, 'max_duration' => $this->seconds, 'buffer' => false, 'headers' => ['User-Agent' => self::NAME, 'Accept' => '*/*'],
        ]);
        $status = $response->getStatusCode();
        $headers = $response->getHeaders(false);
        $location = $headers['location'][0] ?? null;
        // What comes after the head is left where it is.
        $response->cancel();

        return [$status, null === $location ? null : self::absolute($location, $url), isset($headers['retry-after'][0]) && ctype_digit($headers['retry-after'][0]) ? (int) $headers['retry-after'][0] : null];
    }

    private static function absolute(string $location, string $from): string
    {
        if (1 === preg_match('/^[a-z][a-z0-9+.-]*:/i', $location)) {
            return $location;
        }
        $parts = parse_url($from);
        $origin = \is_array($parts) ? ($parts['scheme'] ?? 'http').'://'.($parts['host'] ?? '').(isset($parts['port']) ? ":{$parts['port']}" : '') : '';
        if (str_starts_with($location, '//')) {
            return (\is_array($parts) ? $parts['scheme'] ?? 'http' : 'http').":$location";
        }

        return $origin.(str_starts_with($location, '/') ? $location : rtrim(\dirname(\is_array($parts) ? $parts['path'] ?? '/' : '/'), '/')."/$location");
    }

    private static function words(ExceptionInterface $failure): string
    {
        $why = strtolower($failure->getMessage());

        return match (true) {
            str_contains($why, 'blocked') => 'its name leads into a private network',
            str_contains($why, 'resolve') => 'nobody knows its name',
            str_contains($why, 'timeout'), str_contains($why, 'timed out'), str_contains($why, 'max duration') => 'it did not answer within ten seconds',
            str_contains($why, 'ssl'), str_contains($why, 'certificate'), str_contains($why, 'tls') => 'its certificate is not in order',
            str_contains($why, 'refused'), str_contains($why, 'connect') => 'it refuses',
            default => 'it broke off',
        };
    }
}
