<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Balance;
use MintDoor\Core\Plans\Candidate;
use MintDoor\Core\Plans\Conditions;
use MintDoor\Core\Plans\Question;
use MintDoor\Core\Plans\WhatIf;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Weeks\Clash;
use MintDoor\Core\Weeks\Clashes;
use MintDoor\Core\Weeks\Commitments;
use MintDoor\Core\Weeks\Meeting;
use MintDoor\People\Repository\Labels;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\Wishes;
use MintDoor\Roster\SiteAccess;
use MintDoor\Weeks\Meetings;
use MintDoor\Weeks\Repository\Attendances;

/** What a plan is asked, from what is so now: who needs a place, what they wish, and what they have at the time. */
final readonly class Questions
{
    public function __construct(
        private PlannedPeople $people,
        private Wishes $wishes,
        private Meetings $meetings,
        private Attendances $attendances,
        private Labels $labels,
    ) {}

    /** @param list<string> $open ids of sections of other sites, in which nobody is sure to be */
    public function of(
        SiteAccess $access,
        SitePlan $plan,
        WhatIf $whatIf = new WhatIf(),
        array $open = [],
    ): Question {
        $terms = PlanTerms::read($plan->terms);
        $sections = $terms->sections($access->site);
        $planned = $this->people->of($access->site->id, $access->now);
        $wishes = $this->wishes->of($plan);
        $ids = array_map(strval(...), array_keys($planned));
        $timelines = $this->attendances->inSite($access->site->id, $access->now);
        $commitments = $this->meetings->commitments($access, $ids, $open, $whatIf->moved);
        $candidates = [];
        foreach ($planned as $id => $one) {
            $clashes = self::clashes(
                $commitments[$id] ?? null,
                $timelines[$id] ?? new Timeline([]),
                $sections,
                $access->site->several ? array_values(array_diff($one->sections, $sections)) : [],
            );
            $candidates[] = new Candidate(
                (string) $id,
                array_values(array_intersect($sections, $one->sections))[0] ?? null,
                $wishes[$id] ?? [],
                array_map(strval(...), array_keys($clashes)),
                \in_array((string) $id, $terms->stays, true),
            );
        }
        $places = [];
        foreach ($sections as $section) {
            $places[$section] = $terms->placesOf($access->site, $section);
        }

        return $whatIf->question($candidates, $places, $terms->moves, $this->conditions($terms, $sections, $planned));
    }

    /**
     * @param array<string, list<string>>  $sections ids by site
     * @param array<string, list<Meeting>> $moved    as of `WhatIf`
     *
     * @return list<list<string>> pairs of sections of different sites that meet at the same time, from now on
     */
    public function sameTime(array $sections, int $now, array $moved): array
    {
        $sites = array_map(strval(...), array_keys($sections));
        $meetings = [];
        foreach (\count($sites) > 1 ? $this->meetings->ofSitesWith($sites, $now, $moved) : [] as $site => $all) {
            foreach ($all as $meeting) {
                if (\in_array($meeting->section, $sections[$site], true)) {
                    $meetings[$site][$meeting->section][] = $meeting;
                }
            }
        }
        $pairs = [];
        foreach ($meetings as $site => $own) {
            unset($meetings[$site]);
            foreach ($own as $one => $come) {
                foreach ($meetings as $others) {
                    foreach ($others as $other => $are) {
                        [] === Clashes::between($come, $are) || ($pairs[] = [(string) $one, (string) $other]);
                    }
                }
            }
        }

        return $pairs;
    }

    /**
     * What somebody has at the time of sections of a plan.
     *
     * @param list<string> $theirs sections they are in
     *
     * @return array<string, Clash> by section
     */
    public function clashesOf(SiteAccess $access, SitePlan $plan, string $person, array $theirs): array
    {
        $sections = PlanTerms::read($plan->terms)->sections($access->site);
        $kept = $access->site->several ? array_values(array_diff($theirs, $sections)) : [];

        return self::clashes(
            $this->meetings->commitments($access, [$person])[$person] ?? null,
            $this->attendances->of([$person], $access->now)[$person][$access->site->id] ?? new Timeline([]),
            $sections,
            $kept,
        );
    }

    /**
     * @param list<string>           $sections
     * @param array<string, Planned> $planned
     */
    private function conditions(PlanTerms $terms, array $sections, array $planned): Conditions
    {
        $here = static fn(array $group): array => array_values(
            array_filter($group, static fn(string $person): bool => isset($planned[$person])),
        );
        $groups = static fn(array $all): array => array_values(
            array_filter(array_map($here, $all), static fn(array $group): bool => \count($group) > 1),
        );
        $balances = [];
        foreach ($terms->balances as $balance) {
            $balances[] = new Balance($this->kinds($balance['by'], $balance['label'], $planned), $balance['tolerance']);
        }

        return new Conditions(
            $groups($terms->together),
            $groups($terms->apart),
            array_filter(array_intersect_key($terms->least, array_flip($sections))),
            $balances,
        );
    }

    /**
     * @param array<string, Planned> $planned
     *
     * @return array<string, string> what each is, by person
     */
    private function kinds(string $by, string $label, array $planned): array
    {
        if ('label' === $by) {
            $bear = array_flip($this->labels->bearers($label, array_map(strval(...), array_keys($planned))));
            $kind = static fn(Planned $one, string $id): string => isset($bear[$id]) ? 'with' : 'without';
        } else {
            $kind = static fn(Planned $one): string => 'level' === $by
                ? (string) $one->person->intOrNull('level')
                : $one->person->string('person_division');
        }
        $kinds = [];
        foreach ($planned as $id => $one) {
            $kinds[(string) $id] = $kind($one, (string) $id);
        }

        return $kinds;
    }

    /**
     * @param list<string> $sections
     * @param list<string> $kept
     *
     * @return array<string, Clash>
     */
    private static function clashes(?Commitments $commitments, Timeline $own, array $sections, array $kept): array
    {
        $clashes = [];
        foreach ($sections as $section) {
            $clash = $commitments?->inSection($section, $own, $kept);
            null === $clash || ($clashes[$section] = $clash);
        }

        return $clashes;
    }
}
