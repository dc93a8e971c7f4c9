<?php

declare(strict_types=1);

namespace MintDoor\Demo;

/** The cohorts of the demo: two by rule, one of which feeds a site, and two by list. */
final readonly class DemoCohorts
{
    public function __construct(private PlatformBuilder $platform, private string $by) {}

    /**
     * Whoever plays strings at level 7 is in the site by the door.
     *
     * @param list<string> $people ids of those who do, in the division
     */
    public function strings(string $division, array $people, string $site, string $door, int $since): void
    {
        $this->platform->label('strings', $people, $this->by);
        $rule = ['kind' => 'all', 'parts' => [
            ['kind' => 'kinds', 'names' => ['learner']],
            ['kind' => 'levels', 'lowest' => 7, 'highest' => 7],
            ['kind' => 'labels', 'names' => ['strings']],
        ]];
        $cohort = $this->platform->cohort('Level 7 strings', $division, $rule, $people, $since, $this->by);
        $this->platform->connect($cohort, $door, 'learner', 7);
    }

    public function firstYear(string $division, int $since): void
    {
        $rule = ['kind' => 'all', 'parts' => [
            ['kind' => 'kinds', 'names' => ['learner']],
            ['kind' => 'levels', 'lowest' => 1, 'highest' => 1],
        ]];
        $this->platform->cohort('Evening School, first year', $division, $rule, [], $since, $this->by);
    }

    /**
     * @param list<string> $accompanists ids, of one division
     * @param list<string> $winners      ids, of several
     */
    public function lists(string $division, array $accompanists, array $winners, int $since): void
    {
        $this->platform->cohort('Accompanists', $division, null, $accompanists, $since, $this->by);
        $this->platform->cohort('Prize-winners tour', null, null, $winners, $since, $this->by);
        $this->platform->watch(['person', 'labels']);
    }
}
