<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;

/** What rules may read of one person. */
final readonly class Facts
{
    /**
     * @param list<string>         $kinds     codes of the kinds they are of
     * @param list<string>         $divisions codes of theirs and of those above it
     * @param list<string>         $labels    names
     * @param list<Place>          $places    in the sites that are read
     * @param array<string, Spans> $cohorts   when they belong to others, by id
     */
    public function __construct(
        public array $kinds = [],
        public array $divisions = [],
        public ?int $level = null,
        public array $labels = [],
        public array $places = [],
        public array $cohorts = [],
    ) {}

    /** @param Spans $spans when they belong to a cohort */
    public function with(string $cohort, Spans $spans): self
    {
        return new self(
            $this->kinds,
            $this->divisions,
            $this->level,
            $this->labels,
            $this->places,
            [...$this->cohorts, $cohort => $spans],
        );
    }

    /** When they are in a site, or one of its sections, with a role or any. */
    public function in(string $site, ?string $section, ?string $role): Spans
    {
        $spans = Spans::never();
        foreach ($this->places as $place) {
            if (
                $place->site === $site
                && (null === $section || \in_array($section, $place->sections, true))
                && (null === $role || \in_array($role, $place->roles, true))
            ) {
                $spans = $spans->or(Spans::of($place->window));
            }
        }

        return $spans;
    }

    /** A label as labels are compared. */
    public static function folded(string $label): string
    {
        return mb_strtolower(trim($label));
    }
}
