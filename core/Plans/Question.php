<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Who needs a place, and what places there are for them. */
final readonly class Question
{
    /**
     * @param list<PlanPerson>      $people   who are given a place
     * @param list<PlanSection>     $sections with what is left for them
     * @param array<string, string> $stay     section by person, of those who stay where they are
     * @param array<string, true>   $quiet    people who wish nothing, and are taken to wish to be where they are
     * @param array<string, string> $there    section by person, of those who move only to make room
     */
    private function __construct(
        public array $people,
        public array $sections,
        public array $stay,
        public array $quiet,
        public array $there,
        public Conditions $conditions,
    ) {}

    /**
     * Whoever is in a section stays there, unless people may move; then they stay who are said to. Whoever may go and
     * has no wish wishes to be where they are; and what they have at the same time already keeps nobody from there.
     *
     * @param list<Candidate>     $candidates
     * @param array<string, ?int> $places     of each section with those who are there; null for no limit
     */
    public static function of(
        array $candidates,
        array $places,
        Moves $moves,
        Conditions $conditions = new Conditions(),
    ): self {
        $people = $stay = $quiet = $there = $taken = [];
        foreach ($candidates as $one) {
            $at = null !== $one->at && \array_key_exists($one->at, $places) ? $one->at : null;
            if (null !== $at && (Moves::Nobody === $moves || $one->stays)) {
                $stay[$one->id] = $at;
                $taken[$at] = 1 + ($taken[$at] ?? 0);
                continue;
            }
            $wishes = array_values(
                array_filter($one->wishes, static fn(string $id): bool => \array_key_exists($id, $places)),
            );
            if (null !== $at && Moves::Few === $moves) {
                $there[$one->id] = $at;
            } elseif (null !== $at && [] === $wishes) {
                $wishes = [$at];
                $quiet[$one->id] = true;
            }
            $people[] = new PlanPerson(
                $one->id,
                $wishes,
                array_values(array_diff($one->cannot, (array) $at)),
                null !== $at,
            );
        }
        $sections = [];
        foreach ($places as $id => $most) {
            $left = null === $most ? \count($people) : max(0, $most - ($taken[$id] ?? 0));
            $sections[] = new PlanSection((string) $id, $left);
        }

        return new self($people, $sections, $stay, $quiet, $there, $conditions);
    }

    /**
     * Several sites at once. Whoever is in several of them needs a place in each, at other hours; `Joint` names them.
     *
     * @param array<string, self> $questions by site
     * @param list<list<string>>  $sameTime  pairs of sections of several sites that meet at the same time
     */
    public static function together(array $questions, array $sameTime): self
    {
        $people = $sections = $stay = $quiet = $there = $selves = [];
        $conditions = new Conditions();
        foreach ($questions as $site => $one) {
            $others = array_merge(
                ...array_map(
                    static fn(self $other): array => array_column($other->sections, 'id'),
                    array_values(array_diff_key($questions, [$site => true])),
                ),
            );
            foreach ($one->people as $person) {
                $id = Joint::id($person->id, $site);
                $selves[$person->id][] = $id;
                $cannot = [...$person->cannot, ...$others];
                $people[] = new PlanPerson($id, $person->wishes, $cannot, $person->placed);
            }
            foreach (array_keys($one->stay) as $person) {
                $selves[$person][] = Joint::id((string) $person, $site);
            }
            $sections = [...$sections, ...$one->sections];
            $stay += Joint::keyed($one->stay, $site);
            $quiet += Joint::keyed($one->quiet, $site);
            $there += Joint::keyed($one->there, $site);
            $conditions = $conditions->and($one->conditions, $site);
        }
        $several = array_values(array_filter($selves, static fn(array $own): bool => \count($own) > 1));

        return new self($people, $sections, $stay, $quiet, $there, $conditions->between($several, $sameTime));
    }
}
