<?php

declare(strict_types=1);

namespace MintDoor\Shared\Type;

use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Platforms\AbstractPlatform;
use Doctrine\DBAL\Types\Type;
use MintDoor\Shared\Id;

/** A UUID: `BINARY(16)` in the database, its usual text in PHP. */
final class IdType extends Type
{
    public function getSQLDeclaration(array $column, AbstractPlatform $platform): string
    {
        return 'BINARY(16)';
    }

    public function convertToPHPValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return \is_string($value) ? Id::text($value) : null;
    }

    public function convertToDatabaseValue(mixed $value, AbstractPlatform $platform): ?string
    {
        return \is_string($value) ? Id::binary($value) : null;
    }

    public function getBindingType(): ParameterType
    {
        return ParameterType::BINARY;
    }
}
