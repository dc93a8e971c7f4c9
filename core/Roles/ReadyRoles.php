<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\PersonKind as Kind;
use MintDoor\Core\Roles\Permission as May;

/**
 * Roles to begin with, made for a kind of place. Every set has the roles that a platform cannot be without, and codes
 * are those of the first roles, so that whoever holds one keeps it when another set is chosen.
 */
final class ReadyRoles
{
    /** Of a role that is in a set: the codes of the first roles, the lead's first. */
    private const IN = [
        'school' => [
            'lead-tutor',
            'co-tutor',
            'class-assistant',
            'support-aide',
            'learner',
            'sit-in-observer',
            'day-guest',
        ],
        'higher-education' => [
            'lead-tutor',
            'co-tutor',
            'class-assistant',
            'marking-assistant',
            'content-editor',
            'support-aide',
            'learner',
            'sit-in-observer',
            'day-guest',
        ],
        'company' => [
            'lead-tutor',
            'co-tutor',
            'content-editor',
            'learner',
            'sit-in-observer',
            'day-guest',
        ],
    ];

    /** In a school pupils help in no other class; at a university students do. */
    private const HELP_FROM_STUDENTS = ReadySet::HigherEducation;

    private function __construct() {}

    /**
     * @param callable(string): string $words  the name of a role, and its caution as `CODE-caution`, of this set
     * @param list<string>             $minors codes of the divisions whose learners are minors: they do not see who
     *                                         else is in a site
     */
    public static function book(ReadySet $set, callable $words, array $minors): RoleBook
    {
        $codes = self::IN[$set->value];
        $roles = [];
        foreach (FirstRoles::book([], [])->all() as $role) {
            if (\in_array($role->code, $codes, true)) {
                $roles[] = new Role(
                    $role->code,
                    $words($role->code),
                    $role->standard,
                    $role->rank,
                    self::permissions($role, $set),
                    self::for($role, $set),
                    $role->suggestFor,
                    array_values(array_intersect($role->givenBy, $codes)),
                    $role->lead,
                    $role->takesSeat,
                    $role->listed,
                    null === $role->caution ? null : $words($role->code.'-caution'),
                    null,
                    FirstRoles::LEARNER === $role->code && [] !== $minors
                        ? [new Band($words('minors'), $minors, null, [May::Enter, May::DoWork])]
                        : [],
                );
            }
        }

        return new RoleBook($roles);
    }

    /** @return list<May> */
    private static function permissions(Role $role, ReadySet $set): array
    {
        // Whoever sends people to a course looks how far they are.
        return ReadySet::Company === $set && 'sit-in-observer' === $role->code
            ? [...$role->permissions, May::SeeActivity]
            : $role->permissions;
    }

    /** @return list<Kind> */
    private static function for(Role $role, ReadySet $set): array
    {
        $also = self::HELP_FROM_STUDENTS === $set || FirstRoles::LEARNER === $role->code || 'day-guest' === $role->code;

        return array_values(
            array_filter($role->for, static fn(Kind $kind): bool => $also || Kind::Learner !== $kind),
        );
    }
}
