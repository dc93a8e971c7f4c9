<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Validator\ConstraintViolationInterface;

/** What is said of a value that a constraint does not let through. */
final class Violated
{
    private function __construct() {}

    public static function said(ConstraintViolationInterface $violation): Said
    {
        $values = [];
        foreach ($violation->getParameters() as $name => $value) {
            if (\is_int($value) || \is_string($value)) {
                $values[trim((string) $name, '{ }')] = $value;
            }
        }

        return new Said($violation->getMessageTemplate(), $values);
    }
}
