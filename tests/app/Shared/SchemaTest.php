<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Tools\SchemaValidator;
use MintDoor\Tests\App\ApiTestCase;

/** What `doctrine:schema:validate` says. */
final class SchemaTest extends ApiTestCase
{
    public function testTheEntitiesAreMappedRightly(): void
    {
        self::assertSame([], $this->validator()->validateMapping());
    }

    public function testTheMigrationsMakeWhatTheEntitiesDescribe(): void
    {
        // The migrations keep this one for themselves.
        $own = ['DROP TABLE doctrine_migration_versions'];
        self::assertSame([], array_values(array_diff($this->validator()->getUpdateSchemaList(), $own)));
    }

    public function testHowTheTablesAreIsWrittenDown(): void
    {
        [$code, $said] = $this->command('schema:verify');
        self::assertSame(0, $code, $said);
    }

    private function validator(): SchemaValidator
    {
        return new SchemaValidator($this->service(EntityManagerInterface::class));
    }
}
