<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Mapping\ClassMetadata;

/** All that is stored, as one thing that can be emptied. */
final readonly class WholePlatform
{
    private const OF_ONE_ROW = ['platform_counter', 'security_chain'];

    public function __construct(private Connection $db, private EntityManagerInterface $entities) {}

    /** Whether nobody is there but who founded it, and no site. */
    public function onlyFounded(): bool
    {
        return false === $this->db->fetchOne('SELECT 1 FROM person LIMIT 1 OFFSET 1')
            && false === $this->db->fetchOne('SELECT 1 FROM site LIMIT 1');
    }

    /** Throws everything away. Whoever calls has made sure that it may go. */
    public function empty(): void
    {
        $own = array_map(
            static fn(ClassMetadata $entity): string => $entity->getTableName(),
            $this->entities->getMetadataFactory()->getAllMetadata(),
        );
        $this->db->executeStatement('SET foreign_key_checks = 0');
        foreach ([...array_diff($own, self::OF_ONE_ROW), 'messenger_messages'] as $table) {
            $this->db->executeStatement('TRUNCATE TABLE `'.$table.'`');
        }
        $this->db->executeStatement('SET foreign_key_checks = 1');
        $this->db->executeStatement('UPDATE platform_counter SET log_sequence = 0');
        $this->db->executeStatement("UPDATE security_chain SET entries = 0, sealed = '' WHERE id = 1");
    }
}
