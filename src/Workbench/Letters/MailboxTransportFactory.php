<?php

declare(strict_types=1);

namespace Lantern\Workbench\Letters;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Mailer\Exception\UnsupportedSchemeException;
use Symfony\Component\Mailer\Transport\Dsn;
use Symfony\Component\Mailer\Transport\TransportFactoryInterface;
use Symfony\Component\Mailer\Transport\TransportInterface;

#[AutoconfigureTag('mailer.transport_factory')]
final readonly class MailboxTransportFactory implements TransportFactoryInterface
{
    public function __construct(
        #[Autowire(service: 'doctrine.dbal.workbench_connection')] private Connection $connection,
        private ClockInterface $clock,
    ) {
    }

    public function create(Dsn $dsn): TransportInterface
    {
        return $this->supports($dsn)
            ? new MailboxTransport($this->connection, $this->clock)
            : throw new UnsupportedSchemeException($dsn, 'mailbox', ['mailbox']);
    }

    public function supports(Dsn $dsn): bool
    {
        return 'mailbox' === $dsn->getScheme();
    }
}
