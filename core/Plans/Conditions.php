<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** What a plan has to keep beside places and hours. */
final readonly class Conditions
{
    /**
     * @param list<list<string>>    $together people who are in one section, or nowhere all of them
     * @param list<list<string>>    $apart    people of whom no two are in one section
     * @param array<string, int>    $least    how many a section has at least that has anybody, by id
     * @param list<Balance>         $balances
     * @param list<list<string>>    $oneself  who are one person in several sites
     * @param list<list<string>>    $sameTime pairs of sections of several sites that nobody can be in both
     */
    public function __construct(
        public array $together = [],
        public array $apart = [],
        public array $least = [],
        public array $balances = [],
        public array $oneself = [],
        public array $sameTime = [],
    ) {}

    public function none(): bool
    {
        return [] === $this->together
            && [] === $this->apart
            && [] === $this->least
            && [] === $this->balances
            && ([] === $this->oneself || [] === $this->sameTime);
    }

    /** These, and those of a site that is planned together with others. */
    public function and(self $more, string $site): self
    {
        $balances = array_map(
            static fn(Balance $one): Balance => new Balance(Joint::keyed($one->kinds, $site), $one->tolerance),
            $more->balances,
        );

        return new self(
            [...$this->together, ...Joint::groups($more->together, $site)],
            [...$this->apart, ...Joint::groups($more->apart, $site)],
            $this->least + $more->least,
            [...$this->balances, ...$balances],
        );
    }

    /**
     * These, where nobody can be in two sections at once.
     *
     * @param list<list<string>> $oneself
     * @param list<list<string>> $sameTime
     */
    public function between(array $oneself, array $sameTime): self
    {
        return new self($this->together, $this->apart, $this->least, $this->balances, $oneself, $sameTime);
    }

    /** @return array<string, array<string, true>> sections nobody of one can be in, by section, both ways */
    public function atOnce(): array
    {
        $both = [];
        foreach ($this->sameTime as [$one, $other]) {
            $both[$one][$other] = $both[$other][$one] = true;
        }

        return $both;
    }

    /**
     * By how much a plan breaks them, 0 where it keeps all. What those who stay break by themselves is not its doing:
     * a section is looked at only where the plan puts somebody.
     *
     * @param array<string, string> $places section by person, of those whom the plan places
     * @param array<string, string> $stay   section by person, of those who stay
     * @param list<string>          $all    everybody, also those who are nowhere
     */
    public function broken(array $places, array $stay, array $all): int
    {
        $broken = 0;
        foreach ($this->together as $group) {
            $broken += self::torn(array_unique($group), $places, $stay, $all);
        }
        foreach ($this->apart as $group) {
            $own = array_flip($group);
            $stays = array_flip(array_intersect_key($stay, $own));
            foreach (array_count_values(array_intersect_key($places, $own)) as $section => $n) {
                $broken += $n - 1 + (int) isset($stays[$section]);
            }
        }
        $both = $this->atOnce();
        foreach ($this->oneself as $selves) {
            $broken += self::twice($selves, $both, $places, $stay);
        }
        $held = array_count_values([...array_values($places), ...array_values($stay)]);
        foreach (array_keys(array_flip($places)) as $section) {
            $broken += max(0, ($this->least[$section] ?? 0) - $held[$section]);
            foreach ($this->balances as $balance) {
                $broken += self::unlike($balance, (string) $section, $places + $stay, $all);
            }
        }

        return $broken;
    }

    /**
     * @param array<string>         $group
     * @param array<string, string> $places
     * @param array<string, string> $stay
     * @param list<string>          $all
     */
    private static function torn(array $group, array $places, array $stay, array $all): int
    {
        $own = array_intersect_key($places, array_flip($group));
        if ([] === $own) {
            return 0;
        }
        $stays = array_values(array_filter(array_map(static fn(string $one): ?string => $stay[$one] ?? null, $group)));
        $nowhere = array_diff(array_intersect($group, $all), array_keys($places), array_keys($stay));

        return \count(array_unique([...array_values($own), ...\array_slice($stays, 0, 1)])) - 1 + \count($nowhere);
    }

    /**
     * @param list<string>          $selves
     * @param array<string, array<string, true>> $both as of `atOnce()`
     * @param array<string, string> $places
     * @param array<string, string> $stay
     */
    private static function twice(array $selves, array $both, array $places, array $stay): int
    {
        $twice = 0;
        foreach ($selves as $n => $one) {
            foreach (\array_slice($selves, $n + 1) as $other) {
                $at = [$places[$one] ?? $stay[$one] ?? '', $places[$other] ?? $stay[$other] ?? ''];
                $planned = isset($places[$one]) || isset($places[$other]);
                $twice += (int) ($planned && isset($both[$at[0]][$at[1]]));
            }
        }

        return $twice;
    }

    /**
     * @param array<string, string> $places
     * @param list<string>          $all
     */
    private static function unlike(Balance $balance, string $section, array $places, array $all): int
    {
        $there = array_filter($places, static fn(string $at): bool => $at === $section);
        $own = array_count_values(array_intersect_key($balance->kinds, $there));
        $shares = array_count_values(array_intersect_key($balance->kinds, array_flip($all)));
        $broken = 0;
        foreach ($shares as $kind => $of) {
            $broken += self::beyond(
                $own[$kind] ?? 0,
                array_sum($own),
                $of,
                array_sum($shares),
                $balance->tolerance,
            );
        }

        return $broken;
    }

    /**
     * How many of a kind a section has beyond what is tolerated, rounded up.
     *
     * @param int $has  of the kind
     * @param int $n    people of the section who are of any kind
     * @param int $of   people of the kind, in all
     * @param int $all  people of any kind, in all
     */
    public static function beyond(int $has, int $n, int $of, int $all, int $tolerance): int
    {
        $off = abs($has * $all - $n * $of) - $tolerance * $all;

        return $off > 0 ? intdiv($off - 1, $all) + 1 : 0;
    }
}
