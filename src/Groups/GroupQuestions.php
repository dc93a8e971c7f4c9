<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\CountWish;
use MintDoor\Core\Groups\EvenWish;
use MintDoor\Core\Groups\FreeHours;
use MintDoor\Core\Groups\MetWish;
use MintDoor\Core\Groups\PairWish;
use MintDoor\Core\Groups\Question;
use MintDoor\Core\Groups\Size;
use MintDoor\Core\Groups\Wish;
use MintDoor\Core\Text\Folding;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\SiteAccess;
use MintDoor\Weeks\Meetings;

/**
 * What is asked of the groups of a split, from what is so now and what the caller knows of people. What can no longer
 * be asked, such as about groups that are gone, asks nothing.
 */
final readonly class GroupQuestions
{
    /** What breaking a wish by one costs that need not be kept; each tenth of what is usual, where it is to be even. */
    private const WEIGHTS = [
        'count' => 20,
        'even' => 2,
        'mixed' => 10,
        'together' => 20,
        'apart' => 20,
        'met' => 15,
        'free' => 10,
    ];

    /** More things than these are not mixed. */
    private const MOST_KINDS = 60;

    public function __construct(
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private GroupKinds $kinds,
        private Meetings $meetings,
    ) {}

    /** @param bool $rest whether all stay who are in a group, whatever else is asked */
    public function of(SiteAccess $access, GroupSplit $split, bool $rest = false): AskedGroups
    {
        $terms = WishesRequest::read($split->wishes);
        $who = $rest ? 'rest' : $terms->who;
        $groups = $this->groups->of($split);
        $numbers = array_flip(array_keys($groups));
        $places = $this->places->of($split, $access->now);
        $people = array_map(strval(...), array_keys($places));
        $now = array_map(
            static fn(string $group): int => $numbers[$group],
            array_filter($places, static fn(?string $group): bool => null !== $group && isset($numbers[$group])),
        );
        $kept = array_values(array_intersect_key($numbers, array_flip($terms->keep)));
        $fixed = 'rest' === $who
            ? $now
            : array_filter($now, static fn(int $number): bool => \in_array($number, $kept, true));
        $wishes = $asked = [];
        foreach ($terms->wishes as $wish) {
            $own = $this->wish($access, $split, $wish, $people, \count($groups));
            $asked[] = new AskedWish($wish, \count($wishes), \count($own['wishes']), $own['names'], $own['values']);
            $wishes = [...$wishes, ...$own['wishes']];
        }
        $sizes = self::sizes($split, array_values($groups), $now, $kept, \count($people));

        return new AskedGroups(
            new Question($people, $sizes, $wishes, $fixed),
            array_map(strval(...), array_keys($groups)),
            $now,
            $asked,
            'few' === $who,
        );
    }

    /**
     * Groups of which no size is said are about as large as each other.
     *
     * @param list<SiteGroup>    $groups
     * @param array<string, int> $now
     * @param list<int>          $kept   numbers of those that stay as they are
     *
     * @return list<Size>
     */
    private static function sizes(GroupSplit $split, array $groups, array $now, array $kept, int $people): array
    {
        $held = array_count_values($now) + array_fill(0, max(1, \count($groups)), 0);
        $rest = $people - array_sum(array_intersect_key($held, array_flip($kept)));
        $share = $rest / max(1, \count($groups) - \count($kept));
        $sizes = [];
        foreach ($groups as $number => $group) {
            if (\in_array($number, $kept, true)) {
                $sizes[] = new Size($held[$number], $held[$number]);
                continue;
            }
            $most = $group->most() ?? max((int) $split->least, (int) ceil($share));
            $sizes[] = new Size(min($split->least ?? (int) floor($share), $most), $most);
        }

        return $sizes;
    }

    /**
     * @param list<string> $people
     *
     * @return array{wishes: list<Wish>, names: list<string>, values: array<string, float>}
     */
    private function wish(SiteAccess $access, GroupSplit $split, WishRequest $wish, array $people, int $groups): array
    {
        $weight = $wish->must ? 0 : self::WEIGHTS[$wish->kind];
        if ('even' === $wish->kind) {
            return $this->even($access, $wish, $people, $weight);
        }
        if ('count' === $wish->kind || 'mixed' === $wish->kind) {
            return $this->counts($access, $wish, $people, $groups, $weight);
        }
        $wishes = match ($wish->kind) {
            'met' => $this->met($access, $split, $wish, $weight),
            'free' => $this->free($access, $people, $weight),
            default => self::pairs($wish, $people, $weight),
        };

        return ['wishes' => $wishes, 'names' => [], 'values' => []];
    }

    /**
     * @param list<string> $people
     *
     * @return array{wishes: list<Wish>, names: list<string>, values: array<string, float>}
     */
    private function counts(SiteAccess $access, WishRequest $wish, array $people, int $groups, int $weight): array
    {
        $about = Folding::fold($wish->value);
        $wishes = $names = [];
        foreach ($this->bearers($access, $wish, $people) as $kind => $who) {
            [$kind, $share] = [(string) $kind, \count($who) / max(1, $groups)];
            if ('count' === $wish->kind && Folding::fold($kind) === $about) {
                $wishes[] = new CountWish($who, $wish->least, $wish->most, $weight);
                $names[] = $kind;
            } elseif ('mixed' === $wish->kind && \count($who) > 1 && \count($wishes) < self::MOST_KINDS) {
                $wishes[] = new CountWish($who, (int) floor($share), (int) ceil($share), $weight);
                $names[] = $kind;
            }
        }
        if ('count' === $wish->kind && [] === $wishes) {
            // Nobody is that: what is wanted of them is lacking in all groups.
            return ['wishes' => [new CountWish(
                [],
                $wish->least,
                $wish->most,
                $weight
            )], 'names' => [$wish->value], 'values' => []];
        }

        return ['wishes' => $wishes, 'names' => $names, 'values' => []];
    }

    /**
     * @param list<string> $people
     *
     * @return array{wishes: list<Wish>, names: list<string>, values: array<string, float>}
     */
    private function even(SiteAccess $access, WishRequest $wish, array $people, int $weight): array
    {
        $values = [];
        foreach ($this->kindsOf($access, $wish, $people) as $person => $kinds) {
            $number = str_replace(',', '.', $kinds[0] ?? '');
            is_numeric($number) && ($values[$person] = (float) $number);
        }
        if ([] === $values) {
            return ['wishes' => [], 'names' => [], 'values' => []];
        }
        $mean = array_sum($values) / \count($values);
        $far = array_map(static fn(float $value): float => ($value - $mean) ** 2, $values);
        // A level and a mark weigh the same: each is counted in what is usual for it.
        $usual = sqrt(array_sum($far) / \count($far));
        $scaled = array_map(static fn(float $value): float => $value / (0.0 === $usual ? 1.0 : $usual), $values);

        return ['wishes' => [new EvenWish($scaled, max(1, $weight))], 'names' => [], 'values' => $values];
    }

    /**
     * @param list<string> $people
     *
     * @return list<PairWish>
     */
    private static function pairs(WishRequest $wish, array $people, int $weight): array
    {
        $here = array_values(array_intersect($wish->people, $people));
        $together = 'together' === $wish->kind;
        $pairs = [];
        foreach ($here as $n => $one) {
            // Whoever is with the first of them is with all the others, too.
            foreach (\array_slice($here, $n + 1) as $other) {
                if (!$together || 0 === $n) {
                    $pairs[] = new PairWish($one, $other, $together, $weight);
                }
            }
        }

        return $pairs;
    }

    /** @return list<MetWish> */
    private function met(SiteAccess $access, GroupSplit $split, WishRequest $wish, int $weight): array
    {
        $other = null === $wish->split ? null : $this->splits->one($access->site->id, $wish->split);
        if (null === $other || $other->id === $split->id) {
            return [];
        }
        $before = [];
        foreach ($this->places->of($other, $access->now) as $person => $group) {
            null === $group || ($before[$group][] = (string) $person);
        }

        return [] === $before ? [] : [new MetWish(array_values($before), $wish->most, $weight)];
    }

    /**
     * @param list<string> $people
     *
     * @return list<PairWish>
     */
    private function free(SiteAccess $access, array $people, int $weight): array
    {
        $hours = new FreeHours($this->meetings->ofPeople($people, $access->now), $access->zone());

        return array_map(
            static fn(array $two): PairWish => new PairWish($two[0], $two[1], false, $weight),
            $hours->none($people),
        );
    }

    /**
     * @param list<string> $people
     *
     * @return array<string, list<string>> ids by what they are
     */
    private function bearers(SiteAccess $access, WishRequest $wish, array $people): array
    {
        $bearers = [];
        foreach ($this->kindsOf($access, $wish, $people) as $person => $kinds) {
            foreach ($kinds as $kind) {
                $bearers[$kind][] = (string) $person;
            }
        }
        uksort($bearers, static fn(int|string $a, int|string $b): int => strnatcasecmp((string) $a, (string) $b));

        return $bearers;
    }

    /**
     * @param list<string> $people
     *
     * @return array<string, list<string>> what each is, by person
     */
    private function kindsOf(SiteAccess $access, WishRequest $wish, array $people): array
    {
        return '' === $wish->by
            ? []
            : $this->kinds->of($access, $wish->by, [$wish->value], $wish->detail, $people)[0];
    }
}
