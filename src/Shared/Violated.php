<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\Length;
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

        $said = $violation->getMessageTemplate();
        if (!str_contains($said, ' ')) {
            return new Said($said, $values);
        }

        // A constraint without a sentence of ours has one of the library's, which is in no catalogue.
        return match ($violation->getCode()) {
            Length::TOO_LONG_ERROR => Said::with('shared.too-long', n: (int) ($values['limit'] ?? 0)),
            Count::TOO_MANY_ERROR => Said::with('shared.too-many', n: (int) ($values['limit'] ?? 0)),
            default => new Said('shared.not-values-possible'),
        };
    }
}
