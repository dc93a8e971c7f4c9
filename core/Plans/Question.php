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
     */
    private function __construct(
        public array $people,
        public array $sections,
        public array $stay,
        public array $quiet,
    ) {}

    /**
     * Whoever is in a section stays there, unless people may move; then they stay who are said to. Whoever may move and
     * has no wish wishes to be where they are; and what they have at the same time already keeps nobody from there.
     *
     * @param list<Candidate>     $candidates
     * @param array<string, ?int> $places     of each section with those who are there; null for no limit
     */
    public static function of(array $candidates, array $places, bool $moves): self
    {
        $people = $stay = $quiet = $taken = [];
        foreach ($candidates as $one) {
            if (null !== $one->at && \array_key_exists($one->at, $places) && (!$moves || $one->stays)) {
                $stay[$one->id] = $one->at;
                $taken[$one->at] = 1 + ($taken[$one->at] ?? 0);
                continue;
            }
            $there = array_values(
                array_filter($one->wishes, static fn(string $id): bool => \array_key_exists($id, $places)),
            );
            if ([] === $there && null !== $one->at) {
                $there = [$one->at];
                $quiet[$one->id] = true;
            }
            $people[] = new PlanPerson(
                $one->id,
                $there,
                array_values(array_diff($one->cannot, (array) $one->at)),
            );
        }
        $sections = [];
        foreach ($places as $id => $most) {
            $left = null === $most ? \count($people) : max(0, $most - ($taken[$id] ?? 0));
            $sections[] = new PlanSection((string) $id, $left);
        }

        return new self($people, $sections, $stay, $quiet);
    }
}
