<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Doctrine\DBAL\Connection;
use Symfony\Component\Messenger\Transport\Serialization\SerializerInterface;
use Symfony\Component\Messenger\Transport\TransportFactoryInterface;
use Symfony\Component\Messenger\Transport\TransportInterface;

/**
 * Makes the queue in the database from `mint-door-jobs://NAME?longest=SECONDS`.
 *
 * @implements TransportFactoryInterface<TransportInterface>
 */
final readonly class JobTransportFactory implements TransportFactoryInterface
{
    private const SCHEME = 'mint-door-jobs://';

    /** Seconds. */
    private const LONGEST = 20;

    public function __construct(private Connection $db)
    {
    }

    /** @param array<array-key, mixed> $options */
    public function createTransport(#[\SensitiveParameter] string $dsn, array $options, SerializerInterface $serializer): TransportInterface
    {
        $parts = explode('?', substr($dsn, \strlen(self::SCHEME)), 2);
        parse_str($parts[1] ?? '', $query);
        $longest = $query['longest'] ?? null;

        return new JobTransport($this->db, $serializer, $parts[0], is_numeric($longest) ? max(1, (int) $longest) : self::LONGEST);
    }

    /** @param array<array-key, mixed> $options */
    public function supports(#[\SensitiveParameter] string $dsn, array $options): bool
    {
        return str_starts_with($dsn, self::SCHEME);
    }
}
