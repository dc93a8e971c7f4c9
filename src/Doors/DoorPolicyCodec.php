<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** A policy as a door keeps it: what is not so is left out, so that new parts mean nothing at doors of before. */
final class DoorPolicyCodec
{
    private function __construct() {}

    /** @param array<array-key, mixed> $kept */
    public static function read(array $kept): DoorPolicy
    {
        $text = static fn(string $name, string $unless): string => \is_string($kept[$name] ?? null)
            ? $kept[$name]
            : $unless;
        $number = static fn(string $name): ?int => \is_int($kept[$name] ?? null) ? $kept[$name] : null;
        $texts = static fn(string $name): array => array_values(
            array_filter((array) ($kept[$name] ?? []), is_string(...)),
        );
        $is = static fn(string $name): bool => true === ($kept[$name] ?? null);
        $place = $text('place', 'none');
        $stay = $text('stay', 'site');

        return new DoorPolicy(
            $text('role', ''),
            \in_array($place, ['fixed', 'emptiest', 'choice'], true) ? $place : 'none',
            '' === $text('section', '') ? null : $text('section', ''),
            $number('seats'),
            $texts('divisions'),
            $number('lowest'),
            $number('highest'),
            $texts('domains'),
            $is('listed'),
            $is('approval'),
            $is('waiting'),
            $is('accounts'),
            \in_array($stay, ['term', 'day'], true) ? $stay : 'site',
            $number('stayUntil'),
            $number('quietDays'),
            $number('quietMeetings'),
            array_values(array_filter((array) ($kept['meets'] ?? []), is_int(...))),
            $number('offerHours') ?? 14,
            $number('answerDays') ?? 14,
            $number('remindDays'),
            $is('holds'),
            $texts('shows'),
            $is('anyone'),
            $text('about', ''),
        );
    }

    /** @return array<string, mixed> */
    public static function write(DoorPolicy $policy): array
    {
        return array_filter(
            get_object_vars($policy),
            static fn(mixed $value): bool => !\in_array($value, [null, false, [], ''], true),
        );
    }
}
