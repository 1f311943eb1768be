<?php

declare(strict_types=1);

namespace Lantern\Demo;

/**
 * A stand-in for the web outside of the demo shop: a small server on loopback that answers for made-up hosts. The first two parts
 * of a path are scheme and host. Some never answer, some refuse, some have moved.
 */
final class OutsideWorld
{
    /** What each answers: a status, with where it leads on to; `silent`, `refuses` or `endless`. */
    private const ANSWERS = [
        'http/odile-farrow.example/marbling' => [301, 'https://odile-farrow.example/papers'],
        'https/pear-block.example/visits' => [404],
        'https/ludd-spinners.example/thread' => ['silent'],
        'https/weft-and-tenter.example/cloth' => ['refuses'],
        'https/valley-gazette.example/workshop' => [302, 'https://valley-gazette.example/archive/workshop'],
        'https/patient.example/' => [429],
        'https/loop.example/' => [302, 'https://loop.example/again'],
        'https/loop.example/again' => [302, 'https://loop.example/'],
        'https/inward.example/' => [302, 'http://127.0.0.1:1/'],
        'https/file.example/' => [302, 'file:///etc/passwd'],
        'https/endless.example/' => ['endless'],
        'https/gone.example/' => [410],
        'https/no-heads.example/' => ['no-heads'],
    ];

    /** @var array<int, resource> */
    private array $open = [];
    /** @var array<int, true> those that are written to for ever */
    private array $endless = [];

    /**
     * Serves until the process ends.
     *
     * @param \Closure(int): void|null $ready hears the port
     */
    public function serve(int $port, ?\Closure $ready = null): never
    {
        $server = stream_socket_server(
            "tcp://127.0.0.1:$port",
            $code,
            $why,
        ) ?: throw new \RuntimeException("The made-up world does not come up on port $port: $why");
        stream_set_blocking($server, false);
        null === $ready || $ready((int) substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1));
        while (true) {
            $read = [$server, ...array_diff_key($this->open, $this->endless)];
            $write = array_values(array_intersect_key($this->open, $this->endless));
            $except = null;
            if (false === @stream_select($read, $write, $except, 1)) {
                continue;
            }
            foreach ($read as $one) {
                if ($one === $server) {
                    $client = @stream_socket_accept($server, 0);
                    if (false !== $client) {
                        $this->open[(int) $client] = $client;
                    }
                } else {
                    $this->answer($one);
                }
            }
            foreach ($write as $one) {
                if (false === @fwrite($one, str_repeat('.', 8192))) {
                    $this->close($one);
                }
            }
        }
    }

    /** @param resource $client */
    private function answer($client): void
    {
        $request = (string) fread($client, 16384);
        if (1 !== preg_match('~^(HEAD|GET) /([^ ?]*)~', $request, $asked)) {
            $this->close($client);

            return;
        }
        $answer = self::ANSWERS[$asked[2]] ?? [200];
        if (['silent'] === $answer) {
            // It stays open, and nobody says anything.
            return;
        }
        if (['endless'] === $answer) {
            fwrite($client, "HTTP/1.1 200 OK\r\nContent-Type: text/plain\r\n\r\n");
            $this->endless[(int) $client] = true;

            return;
        }
        if (['no-heads'] === $answer) {
            $answer = ['HEAD' === $asked[1] ? 405 : 200];
        }
        if (['refuses'] !== $answer) {
            $status = (int) $answer[0];
            fwrite(
                $client,
                "HTTP/1.1 $status Made up\r\nConnection: close\r\nContent-Length: 0\r\n"
                    .(isset($answer[1]) ? "Location: {$answer[1]}\r\n" : '').(429 === $status ? "Retry-After: 1800\r\n" : '')."\r\n",
            );
        }
        $this->close($client);
    }

    /** @param resource $client */
    private function close($client): void
    {
        unset($this->open[(int) $client], $this->endless[(int) $client]);
        fclose($client);
    }
}
