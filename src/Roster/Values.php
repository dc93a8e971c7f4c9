<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Shared\Instant;

/** The values of causes and notes as the contract has them: instants as RFC 3339, doors and sections by name. */
final class Values
{
    private const INSTANTS = ['at', 'until', 'from', 'opens'];

    private function __construct() {}

    /**
     * @param array<string, string|int|list<string>|null> $values
     * @param callable(string): string                    $doorName
     * @param callable(string): string                    $sectionName
     * @param ?callable(string): string                   $siteName
     *
     * @return array<string, string|int|list<string>|null>
     */
    public static function json(
        array $values,
        callable $doorName,
        callable $sectionName,
        ?callable $siteName = null,
    ): array {
        foreach ($values as $key => $value) {
            if (\is_int($value) && \in_array($key, self::INSTANTS, true)) {
                $values[$key] = Instant::toJson($value);
            } elseif ('door' === $key && \is_string($value)) {
                $values[$key] = $doorName($value);
            } elseif ('otherSite' === $key && \is_string($value) && null !== $siteName) {
                $values[$key] = $siteName($value);
            } elseif (\in_array($key, ['section', 'otherSection'], true) && \is_string($value)) {
                $values[$key] = $sectionName($value);
            } elseif ('sections' === $key && \is_array($value)) {
                $values[$key] = array_map($sectionName, $value);
            }
        }

        return $values;
    }
}
