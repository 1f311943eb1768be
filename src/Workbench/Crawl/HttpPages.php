<?php

declare(strict_types=1);

namespace Lantern\Workbench\Crawl;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/** The pages of this shop, asked of its own web server by HTTP. */
final readonly class HttpPages implements PageSource
{
    private const AT_ONCE = 6;
    private HttpClientInterface $client;

    public function __construct(#[Autowire(env: 'LANTERN_STOREFRONT_URL')] private string $storefrontUrl)
    {
        $this->client = HttpClient::create(
            [
                'max_redirects' => 0,
                'timeout' => 30,
                'no_proxy' => '*',
                'headers' => ['User-Agent' => 'GentleLantern-crawl/1.0', 'Cache-Control' => 'no-cache'],
            ],
            self::AT_ONCE,
        );
    }

    public function ask(array $paths): iterable
    {
        foreach (array_chunk($paths, 100) as $some) {
            $responses = [];
            foreach ($some as $path) {
                $responses[] = $this->client->request('GET', $this->storefrontUrl.$path, ['user_data' => $path]);
            }
            foreach ($responses as $response) {
                $path = $response->getInfo('user_data');
                try {
                    $headers = $response->getHeaders(false);
                    $isPage = str_starts_with($headers['content-type'][0] ?? '', 'text/html');
                    $asked = new AskedPage(
                        $response->getStatusCode(),
                        $headers['location'][0] ?? null,
                        $isPage ? $response->getContent(false) : null,
                    );
                } catch (ExceptionInterface) {
                    $asked = new AskedPage(0, null, null);
                }
                yield \is_string($path) ? $path : '' => $asked;
            }
        }
    }
}
