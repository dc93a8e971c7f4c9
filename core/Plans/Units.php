<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/**
 * What a search moves: people by themselves, and people who are to be together as one; with all that conditions say of
 * them, by numbers.
 *
 * @internal
 */
final readonly class Units
{
    /**
     * @param list<list<int>>                      $members    people by unit
     * @param list<int>                            $sizes      how many, by unit
     * @param list<array<int, int>>                $costs      by unit and section, `Flow::NOWHERE` among them; where
     *     none is said, they cannot be
     * @param list<array<int, int>>                $foes       by unit: units that are to be elsewhere, with how many
     *     pairs of people say so
     * @param list<array<int, int>>                $selves     by unit: units of the same people in another site, with
     *     how many they are
     * @param array<int, array<int, true>>         $atOnce     sections nobody can be in both, by section
     * @param array<int, int>                      $places     by section
     * @param array<int, int>                      $held       people who stay, by section
     * @param array<int, int>                      $least      by section
     * @param list<array<string, int>>             $shares     people of a kind in all, by balance
     * @param list<int>                            $tolerances by balance
     * @param list<list<array<string, int>>>       $unitKinds  people of a kind, by balance and unit
     * @param list<array<int, array<string, int>>> $kinds      people of a kind who stay, by balance and section
     * @param list<int>                            $counted    people of any kind, by balance
     */
    private function __construct(
        public array $members,
        public array $sizes,
        public array $costs,
        public array $foes,
        public array $selves,
        public array $atOnce,
        public array $places,
        public array $held,
        public array $least,
        public array $shares,
        public array $tolerances,
        public array $unitKinds,
        public array $kinds,
        public array $counted,
    ) {}

    /**
     * @param list<PlanPerson>            $people
     * @param list<PlanSection>           $sections
     * @param array<string, string>       $stay     section by person, of those who stay where they are
     * @param array<int, array<int, int>> $costs    by person and section, `Flow::NOWHERE` among them
     */
    public static function of(array $people, array $sections, array $stay, Conditions $conditions, array $costs): self
    {
        $number = [];
        foreach ($people as $n => $person) {
            $number[$person->id] = $n;
        }
        $index = [];
        foreach ($sections as $m => $section) {
            $index[$section->id] = $m;
        }
        $members = self::members($number, $conditions->together);
        $unitOf = [];
        foreach ($members as $unit => $own) {
            foreach ($own as $n) {
                $unitOf[$n] = $unit;
            }
        }
        $unitCosts = array_map(
            static fn(array $own): array => self::shared(array_map(static fn(int $n): array => $costs[$n], $own)),
            $members,
        );
        // Whoever is to be with somebody who stays goes there or nowhere.
        foreach ($conditions->together as $group) {
            $at = self::whereStaying($group, $stay, $index);
            foreach (null === $at ? [] : array_intersect_key($number, array_flip($group)) as $n) {
                $own = $unitCosts[$unitOf[$n]];
                $unitCosts[$unitOf[$n]] = array_intersect_key($own, [$at => true, Flow::NOWHERE => true]);
            }
        }
        $foes = array_fill(0, \count($members), []);
        foreach ($conditions->apart as $group) {
            self::part(array_values(array_unique($group)), $number, $unitOf, $stay, $index, $foes, $unitCosts);
        }
        $atOnce = [];
        foreach ($conditions->atOnce() as $section => $others) {
            isset($index[$section]) && ($atOnce[$index[$section]] = array_fill_keys(
                array_values(array_intersect_key($index, $others)),
                true,
            ));
        }
        $selves = array_fill(0, \count($members), []);
        foreach ([] === $atOnce ? [] : $conditions->oneself as $own) {
            self::bind($own, $number, $unitOf, $stay, $index, $atOnce, $selves, $unitCosts);
        }
        $held = array_fill_keys(array_keys($sections), 0);
        foreach ($stay as $section) {
            isset($index[$section]) && ++$held[$index[$section]];
        }
        $least = [];
        foreach ($conditions->least as $section => $n) {
            isset($index[$section]) && ($least[$index[$section]] = $n);
        }
        $everybody = array_flip([...array_keys($number), ...array_keys($stay)]);
        $shares = $unitKinds = $kinds = [];
        foreach ($conditions->balances as $balance) {
            $of = array_intersect_key($balance->kinds, $everybody);
            $shares[] = $share = array_count_values($of);
            $none = array_fill_keys(array_keys($share), 0);
            $unitKinds[] = array_map(
                static fn(array $own): array => array_count_values(
                    array_filter(
                        array_map(static fn(int $n): string => $of[$people[$n]->id] ?? '', $own),
                        static fn(string $kind): bool => isset($share[$kind]),
                    ),
                ),
                $members,
            );
            $there = array_fill_keys(array_keys($sections), $none);
            foreach ($stay as $person => $section) {
                $kind = $of[$person] ?? null;
                null !== $kind && isset($index[$section]) && ++$there[$index[$section]][$kind];
            }
            $kinds[] = $there;
        }

        return new self(
            $members,
            array_map(count(...), $members),
            $unitCosts,
            $foes,
            $selves,
            $atOnce,
            array_map(static fn(PlanSection $section): int => $section->places, $sections),
            $held,
            $least,
            $shares,
            array_map(static fn(Balance $balance): int => $balance->tolerance, $conditions->balances),
            $unitKinds,
            $kinds,
            array_map(array_sum(...), $shares),
        );
    }

    /**
     * People who are together by way of any group, as one unit.
     *
     * @param array<string, int>  $number of people by id
     * @param list<list<string>>  $groups
     *
     * @return list<list<int>>
     */
    private static function members(array $number, array $groups): array
    {
        $with = array_combine(array_values($number), array_values($number));
        $first = static function (int $n) use (&$with): int {
            while ($with[$n] !== $n) {
                $n = $with[$n];
            }

            return $n;
        };
        foreach ($groups as $group) {
            $own = array_values(array_intersect_key($number, array_flip($group)));
            foreach (\array_slice($own, 1) as $n) {
                $with[max($first($own[0]), $first($n))] = min($first($own[0]), $first($n));
            }
        }
        $members = [];
        foreach ($number as $n) {
            $members[$first($n)][] = $n;
        }

        return array_values($members);
    }

    /**
     * What they cost together, where all of them can be.
     *
     * @param list<array<int, int>> $all
     *
     * @return array<int, int>
     */
    private static function shared(array $all): array
    {
        $shared = array_intersect_key(...[...$all, $all[0]]);
        foreach ($shared as $section => $_) {
            $shared[$section] = array_sum(array_column($all, $section));
        }

        return $shared;
    }

    /**
     * @param list<string>          $group
     * @param array<string, string> $stay
     * @param array<string, int>    $index
     */
    private static function whereStaying(array $group, array $stay, array $index): ?int
    {
        foreach ($group as $person) {
            if (isset($stay[$person], $index[$stay[$person]])) {
                return $index[$stay[$person]];
            }
        }

        return null;
    }

    /**
     * @param list<string>          $group
     * @param array<string, int>    $number
     * @param array<int, int>       $unitOf
     * @param array<string, string> $stay
     * @param array<string, int>    $index
     * @param list<array<int, int>> $foes
     * @param list<array<int, int>> $costs
     */
    private static function part(
        array $group,
        array $number,
        array $unitOf,
        array $stay,
        array $index,
        array &$foes,
        array &$costs,
    ): void {
        $units = array_map(
            static fn(int $n): int => $unitOf[$n],
            array_values(array_intersect_key($number, array_flip($group))),
        );
        foreach ($units as $k => $one) {
            foreach (\array_slice($units, $k + 1) as $other) {
                if ($one === $other) {
                    // Together and apart: there is no section for them.
                    $costs[$one] = array_intersect_key($costs[$one], [Flow::NOWHERE => true]);
                    continue;
                }
                $foes[$one][$other] = 1 + ($foes[$one][$other] ?? 0);
                $foes[$other][$one] = 1 + ($foes[$other][$one] ?? 0);
            }
        }
        foreach (array_intersect_key($stay, array_flip($group)) as $section) {
            foreach (isset($index[$section]) ? $units : [] as $one) {
                unset($costs[$one][$index[$section]]);
            }
        }
    }

    /**
     * @param list<string>                 $own
     * @param array<string, int>           $number
     * @param array<int, int>              $unitOf
     * @param array<string, string>        $stay
     * @param array<string, int>           $index
     * @param array<int, array<int, true>> $atOnce
     * @param list<array<int, int>>        $selves
     * @param list<array<int, int>>        $costs
     */
    private static function bind(
        array $own,
        array $number,
        array $unitOf,
        array $stay,
        array $index,
        array $atOnce,
        array &$selves,
        array &$costs,
    ): void {
        $units = array_map(
            static fn(int $n): int => $unitOf[$n],
            array_values(array_intersect_key($number, array_flip($own))),
        );
        foreach ($units as $one) {
            foreach ($units as $other) {
                $one === $other || ($selves[$one][$other] = 1 + ($selves[$one][$other] ?? 0));
            }
            foreach (array_intersect_key($stay, array_flip($own)) as $section) {
                $costs[$one] = array_diff_key($costs[$one], $atOnce[$index[$section] ?? Flow::NOWHERE] ?? []);
            }
        }
    }
}
