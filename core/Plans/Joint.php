<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** How people are named in a question of several sites: each once for every site in which they need a place. */
final class Joint
{
    private const IN = '/';

    private function __construct() {}

    public static function id(string $person, string $site): string
    {
        return $person.self::IN.$site;
    }

    /** The person of whom a question speaks, in whatever site. */
    public static function personOf(string $id): string
    {
        return explode(self::IN, $id, 2)[0];
    }

    /**
     * @template T
     *
     * @param array<string, T> $all by person
     *
     * @return array<string, T>
     */
    public static function keyed(array $all, string $site): array
    {
        $keyed = [];
        foreach ($all as $person => $one) {
            $keyed[self::id((string) $person, $site)] = $one;
        }

        return $keyed;
    }

    /**
     * @param list<list<string>> $groups of people
     *
     * @return list<list<string>>
     */
    public static function groups(array $groups, string $site): array
    {
        $in = static fn(string $person): string => self::id($person, $site);

        return array_map(static fn(array $group): array => array_map($in, $group), $groups);
    }

    /**
     * Why people are where the plan of several sites puts them.
     *
     * @param array<string, Question> $questions by site
     *
     * @return array<string, array<string, Why>> by site and person
     */
    public static function why(array $questions, Question $together, Plan $plan): array
    {
        $places = [];
        foreach ($plan->places as $id => $section) {
            $site = substr((string) strstr((string) $id, self::IN), 1);
            $places[$site][self::personOf((string) $id)] = $section;
        }
        $why = [];
        foreach ($questions as $site => $question) {
            $own = new Plan($places[$site] ?? [], [], $plan->proven, $plan->better);
            $why[$site] = Why::all($question, $own, $together->conditions->none());
        }

        return $why;
    }
}
