<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Tools\SchemaTool;
use MintDoor\Tests\App\ApiTestCase;

final class SchemaTest extends ApiTestCase
{
    public function testTheMigrationsMakeWhatTheEntitiesDescribe(): void
    {
        $entities = $this->service(EntityManagerInterface::class);
        $changes = (new SchemaTool($entities))->getUpdateSchemaSql($entities->getMetadataFactory()->getAllMetadata());
        self::assertSame(
            [],
            array_values(
                array_filter(
                    $changes,
                    static fn(string $sql): bool => !str_contains($sql, 'doctrine_migration_versions'),
                ),
            ),
        );
    }
}
