<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Lantern\Admin\Account\Account;
use Lantern\Core\Person\Actor;
use Lantern\Node\Http\RequestId;
use Lantern\Reading\Sql\Away;
use Lantern\Workbench\Audit\AuditLog;
use Psr\Log\LoggerInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** Who did, or tried, what: one line of JSON each, with the id of the request, and without secrets. */
final readonly class SecurityLog
{
    public function __construct(
        #[Autowire(service: 'monolog.logger.security_events')] private LoggerInterface $logger,
        private TokenStorageInterface $tokens,
        private RequestId $requests,
        private AuditLog $audit,
    ) {
    }

    /**
     * @param string                    $what  such as sign-in, sign-in-failed, refused, forged-request, published
     * @param array<string, int|string> $about
     */
    public function write(string $what, array $about = []): void
    {
        $this->logger->info(
            $what,
            ['who' => $this->tokens->getToken()?->getUserIdentifier() ?? '', 'request' => $this->requests->current()] + $about,
        );
    }

    /**
     * The same, and in the audit log, too, where owners look.
     * What an attacker could repeat without end is counted there, see AuditLog::addAttempt().
     *
     * @param array<string, int|string> $about
     */
    public function keep(string $what, array $about = []): void
    {
        $this->write($what, $about);
        $this->audited(fn (Actor $by) => $this->audit->add($by, $what, $about));
    }

    /** @param array<string, int|string> $about `as`: the mail address that was tried */
    public function attempt(string $what, array $about = []): void
    {
        $this->write($what, $about);
        $this->audited(fn (Actor $by) => $this->audit->addAttempt(
            $by,
            $what,
            (string) ($about['as'] ?? ''),
            array_diff_key($about, ['as' => true, 'from' => true]),
        ));
    }

    /** @param \Closure(Actor): void $write */
    private function audited(\Closure $write): void
    {
        $user = $this->tokens->getToken()?->getUser();
        try {
            $write($user instanceof Account ? $user->person->actor() : Actor::nobody());
        } catch (\Throwable $away) {
            // Where the database is away, the line in the file is what there is; nobody is kept out because of a log.
            if (!Away::explains($away)) {
                throw $away;
            }
        }
    }
}
