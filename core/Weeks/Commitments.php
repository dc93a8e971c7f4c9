<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;

/** What a change of where somebody is meets: the meetings of the site, and those they have elsewhere. */
final readonly class Commitments
{
    /**
     * @param array<string, list<Meeting>> $here      of the site, those to come, by section; of the whole site by ''
     * @param list<Meeting>                $elsewhere theirs, of other sites
     */
    private function __construct(private array $here, private array $elsewhere) {}

    /** @param list<Meeting> $here of a site, those to come */
    public static function at(array $here): self
    {
        $bySection = [];
        foreach ($here as $meeting) {
            $bySection[(string) $meeting->section][] = $meeting;
        }

        return new self($bySection, []);
    }

    /** @param list<Meeting> $elsewhere of somebody, in other sites */
    public function and(array $elsewhere): self
    {
        return new self($this->here, $elsewhere);
    }

    /**
     * What they would come to have at the same time as something else. What clashes already stays as it is.
     *
     * @return list<Clash> those that are first, first; `one` is what they would come to have
     */
    public function clashes(Timeline $before, Timeline $after): array
    {
        $gained = $kept = [];
        foreach ($this->around($after) as $meeting) {
            if (!Attending::isTheirs($after, $meeting)) {
                continue;
            }
            if (Attending::isTheirs($before, $meeting)) {
                $kept[] = $meeting;
            } else {
                $gained[] = $meeting;
            }
        }
        if ([] === $gained) {
            return [];
        }
        $clashes = [...Clashes::between($gained, [...$this->elsewhere, ...$kept]), ...Clashes::among($gained)];
        usort($clashes, static fn(Clash $a, Clash $b): int => $a->one->from <=> $b->one->from);

        return $clashes;
    }

    /**
     * What somebody who is in the site would have at the same time as something else if they were in a section.
     *
     * @param list<string> $kept ids of sections they are in besides
     *
     * @return ?Clash the first; `one` is of the section
     */
    public function inSection(string $section, Timeline $timeline, array $kept = []): ?Clash
    {
        $here = static fn(Meeting $meeting): bool => State::Current === $timeline->at($meeting->from)?->state;
        $come = array_values(array_filter($this->here[$section] ?? [], $here));
        if ([] === $come) {
            return null;
        }
        $theirs = array_merge(
            $this->here[''] ?? [],
            ...array_values(array_intersect_key($this->here, array_flip($kept))),
        );

        return Clashes::between($come, [...$this->elsewhere, ...array_values(array_filter($theirs, $here))])[0] ?? null;
    }

    /** @return list<Meeting> of the site as a whole, and of sections somebody is in at any time */
    private function around(Timeline $timeline): array
    {
        $sections = ['' => true];
        foreach ([] === $this->here ? [] : $timeline->segments as $segment) {
            $sections += array_fill_keys($segment->sections, true);
        }

        return array_merge(...array_values(array_intersect_key($this->here, $sections)));
    }
}
