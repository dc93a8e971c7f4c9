<?php

declare(strict_types=1);

namespace MintDoor\Shared\Type;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;
use MintDoor\Shared\Instant;

/** An instant of the core: `DATETIME` in UTC in the database, whole seconds since 1970 in PHP. */
final class InstantType extends Type
{
    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return 'DATETIME';
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?int
    {
        return \is_string($value) ? Instant::fromSql($value) : null;
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return \is_int($value) ? Instant::toSql($value) : null;
    }
}
