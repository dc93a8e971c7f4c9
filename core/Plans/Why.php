<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Why somebody is where a plan puts them, or nowhere. */
final readonly class Why
{
    /**
     * @param ?string      $section  where they are; null for nowhere
     * @param ?int         $wish     which of their wishes it is, 1 for the first; null where it is none
     * @param list<string> $full     sections they wished more, and could be in: others have all places
     * @param list<string> $cannot   sections they wished more, at whose time they have something else
     * @param list<string> $onePlace for who is nowhere: sections in which one place more would place them, as they wish
     * @param list<string> $anHour   for who is nowhere: sections that another hour would make possible, as they wish
     * @param list<string> $kept     sections they wished more, that have room: conditions of the plan keep them away
     */
    public function __construct(
        public Because $because,
        public ?string $section,
        public ?int $wish = null,
        public array $full = [],
        public array $cannot = [],
        public array $onePlace = [],
        public array $anHour = [],
        public array $kept = [],
    ) {}

    /**
     * @param ?bool $free whether nothing but places and hours was kept; as the question says where it is not told
     *
     * @return array<string, self> by person, of all that a question is about
     */
    public static function all(Question $question, Plan $plan, ?bool $free = null): array
    {
        $free ??= $question->conditions->none();
        $why = $full = [];
        $held = array_count_values($plan->places);
        foreach ($question->sections as $section) {
            // Without conditions whoever is not there found it full, whoever moved on later.
            $full[$section->id] = $free || ($held[$section->id] ?? 0) >= $section->places;
        }
        foreach ($question->people as $person) {
            $one = self::of($person, $question->sections, $plan->places[$person->id] ?? null, $full);
            $why[$person->id] = match (true) {
                isset($question->quiet[$person->id]) => $one->unsaid(),
                isset($question->there[$person->id]) => $one->moved($question->there[$person->id]),
                default => $one,
            };
        }
        foreach ($question->stay as $person => $section) {
            $why[(string) $person] = new self(Because::Stays, $section);
        }

        return $why;
    }

    /** The same of somebody who was in a section and moves only to make room. */
    private function moved(string $from): self
    {
        return new self($from === $this->section ? Because::Stays : Because::MakesRoom, $this->section);
    }

    /** The same of somebody who did not say what they wish. */
    private function unsaid(): self
    {
        return match ($this->because) {
            Because::Wish => new self(Because::Stays, $this->section),
            Because::Unnamed => new self(Because::Wishless, $this->section, full: $this->full, kept: $this->kept),
            default => $this,
        };
    }

    /**
     * @param list<PlanSection>   $sections
     * @param array<string, bool> $taken    by section: whether others have all places
     */
    private static function of(PlanPerson $person, array $sections, ?string $at, array $taken): self
    {
        $rank = null === $at ? null : $person->rank($at);
        $full = $cannot = $possible = $impossible = $kept = [];
        foreach ($sections as $section) {
            $wished = array_search($section->id, $person->wishes, true);
            $place = false === $wished ? \count($person->wishes) + 1 : $wished + 1;
            $may = !\in_array($section->id, $person->cannot, true);
            $free = $may && !$taken[$section->id];
            match (true) {
                $free => null,
                $may => $possible[$section->id] = $place,
                default => $impossible[$section->id] = $place,
            };
            if (false === $wished || (null !== $rank && $place >= $rank)) {
                continue;
            }
            match (true) {
                $free => $kept[$section->id] = $place,
                $may => $full[$section->id] = $place,
                default => $cannot[$section->id] = $place,
            };
        }
        $isWish = null !== $at && \in_array($at, $person->wishes, true);

        return new self(
            match (true) {
                null === $at => Because::Nowhere,
                $isWish => Because::Wish,
                [] === $person->wishes => Because::Wishless,
                default => Because::Unnamed,
            },
            $at,
            $isWish ? $rank : null,
            self::inOrder($full),
            self::inOrder($cannot),
            null === $at ? self::inOrder($possible) : [],
            null === $at ? self::inOrder($impossible) : [],
            self::inOrder($kept),
        );
    }

    /**
     * @param array<string, int> $ranks by section
     *
     * @return list<string> sections, those that are wished most first
     */
    private static function inOrder(array $ranks): array
    {
        asort($ranks);

        return array_map(strval(...), array_keys($ranks));
    }
}
