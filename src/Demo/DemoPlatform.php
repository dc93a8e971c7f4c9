<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\Luhn;
use MintDoor\Core\People\NameKind;
use MintDoor\Core\Plans\Moves;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Doors\Repository\DoorKeys;
use MintDoor\Messages\FirstTexts;
use MintDoor\Plans\PlanTerms;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Sealer;

/**
 * Alder Quay Conservatory of Music: invented, and so is everybody in it. The same every time, but that its calendar is
 * set by whole weeks so that today falls into the twelfth week of its autumn term.
 */
final class DemoPlatform
{
    private const SEED = 20261124;
    private const DAY = 86_400;

    /** Login name => kind, given name and family name of names that somebody who signs in has besides. */
    private const BESIDES = [
        'elias.nordahl' => [[NameKind::Passport, 'Elias Johan', ''], [NameKind::Stage, 'Eli', 'North']],
    ];

    /** A hash of `DemoSignIns::PASSWORD`, made once. */
    private string $hash;

    private Dice $dice;
    private Names $names;
    private PlatformBuilder $platform;

    /** @var array<string, string> code => id */
    private array $divisions = [];

    /** @var array<string, list<array{string, int}>> division => learners: id, level */
    private array $learners = [];

    /** @var list<string> */
    private array $staff = [];

    /** @var non-empty-list<?string> kinds that externals are of by turns */
    private array $externals = [null];

    /** @var array<string, true> */
    private array $logins = [];

    /** @var array<string, string> */
    private array $terms = [];

    /** @var array<string, string> codes of terms by their season */
    private array $codes = [];

    /**
     * @var array{baroque: string, strings: string, het: string, jazz: string, nerves: string, harmony: list<string>}
     *     sites of these names, and learners of one
     */
    private array $shown = [
        'baroque' => '',
        'strings' => '',
        'het' => '',
        'jazz' => '',
        'nerves' => '',
        'harmony' => [],
    ];

    /** @var list<string> learners of the jazz workshop */
    private array $busy = [];

    /** @var array<string, string> login of a demo sign-in => person id */
    private array $known = [];

    private int $numbers = 204_100;
    private int $staffNumbers = 20_100;

    /** @param ?BulkWriter $rows that writes otherwise than into the database */
    public function __construct(
        private readonly Connection $db,
        private readonly int $now,
        string $passwordHash,
        ?BulkWriter $rows = null,
    ) {
        $this->hash = $passwordHash;
        $this->dice = new Dice(self::SEED);
        $this->names = new Names($this->dice);
        $this->platform = new PlatformBuilder($db, $now, $rows);
    }

    /** About 2,400 people, 40 sites and 9,000 enrollments. */
    public function furnish(DoorKeys $keys, Sealer $sealer, FirstTexts $texts): void
    {
        $this->foundations();
        $this->signIns();
        $this->crowd(['harbour' => 780, 'millrace' => 860, 'northlight' => 430], 92, 220, false);
        $this->shownSites();
        $this->otherSites();
        $this->afterwards();
        $this->twice();
        $this->atDoors();
        $this->platform->write();
        (new DemoDoors($this->db, $this->platform, $keys, $texts, $this->now))->furnish($this->known['mara.lindqvist']);
        (new DemoMessages($this->db, $this->platform, $sealer, $texts, $this->now))->furnish($this->known);
    }

    /** Those who stand before doors: three wait for a seat in the jazz workshop, two asked to join the Baroque. */
    private function atDoors(): void
    {
        $free = array_values(
            array_filter(
                $this->strangers('millrace'),
                fn(array $learner): bool => $learner[1] >= 8 && !\in_array($learner[0], $this->busy, true),
            ),
        );
        foreach (\array_slice($free, 0, 3) as $n => [$id]) {
            $this->platform->letIn(
                $this->shown['jazz'],
                $id,
                'learner',
                $this->now - 86_400 + 3_600 * $n,
                door: DoorKind::Key,
                accepted: false,
            );
        }
        $this->platform->door($this->shown['baroque'], DoorKind::Key, 'by request');
        foreach (\array_slice($free, 3, 2) as $n => [$id]) {
            $this->platform->letIn(
                $this->shown['baroque'],
                $id,
                'learner',
                $this->now - 7_200 + 1_800 * $n,
                door: DoorKind::Key,
                accepted: false,
            );
        }
        // Two seniors are wanted among the juniors, and wait for a yes of their division.
        foreach (\array_slice($free, 5, 2) as $n => [$id]) {
            $this->platform->letIn(
                $this->shown['strings'],
                $id,
                'learner',
                $this->now - 90_000 + 60 * $n,
                accepted: false,
                by: $this->staff[2],
            );
        }
        foreach (['het' => 'late joiners', 'nerves' => 'flyer in the hall'] as $site => $name) {
            $this->platform->door($this->shown[$site], DoorKind::Key, $name);
        }
    }

    /** Some who were entered twice, as happens: without a number the second time, or with a digit wrong. */
    private function twice(): void
    {
        $people = [];
        foreach (
            [
                ['Ottilie', 'Vasbrandt', 8, '3300019', 'ottilie.vasbrandt@example.org'],
                ['Ottilie', 'Vasbrandt', 8, null, 'otti.v@example.net'],
                ['Tadeusz', 'Wierzbak', 7, '3301090', 'tadeusz.wierzbak@example.org'],
                ['Tadeusz', 'Wierzbak', 7, '3301900', null],
                ['Saga', 'Quillander', 6, '3300035', 'saga.quillander@example.org'],
                ['Saga', 'Quillander', 7, null, 'saga.q@example.net'],
            ] as $n => [$given, $family, $level, $number, $email]
        ) {
            $people[] = $this->platform->person(
                'learner',
                $this->divisions['millrace'],
                $given,
                $family,
                $level,
                $number,
                $email,
                strtolower($given.'.'.$family).(1 === $n % 2 ? '2' : ''),
                passwordHash: $this->hash,
            );
        }
        foreach ([[0, 'learner'], [1, 'day-guest'], [2, 'learner']] as [$who, $role]) {
            $this->platform->letIn(
                $this->shown['baroque'],
                $people[$who],
                $role,
                $this->at(-60),
                by: $this->known['mara.lindqvist'],
            );
        }
    }

    /** A site for every forty people, and five enrollments each. */
    public function furnishLarge(int $people = 200_000): void
    {
        $this->foundations();
        $this->signIns();
        $percent = intdiv($people, 100);
        $this->crowd(
            ['harbour' => 31 * $percent, 'millrace' => 40 * $percent, 'northlight' => 25 * $percent],
            3 * $percent,
            $percent,
            true,
        );
        $everybody = array_merge(...array_values($this->learners));
        $count = \count($everybody);
        for ($n = 0; $n < intdiv($people, 40); ++$n) {
            $size = match (true) {
                $n < 4 => 4_990,
                $n < 40 => 1_000,
                default => $this->dice->between(122, 244),
            };
            $division = ['harbour', 'millrace', 'northlight'][$n % 3];
            $site = $this->platform->site(
                \sprintf('L-%04d', $n),
                \sprintf(
                    '%s %d',
                    $this->dice->one(['Harmony', 'Counterpoint', 'Ensemble', 'Repertoire', 'Ear Training', 'History']),
                    $n,
                ),
                'course',
                $this->divisions[$division],
                $this->terms['autumn'],
                null,
                $size + 500,
                $this->at(-78),
                Time::FOREVER,
            );
            $lead = $n < 40 ? $this->known['mara.lindqvist'] : $this->staff[$n % \count($this->staff)];
            $this->platform->letIn($site, $lead, 'lead-tutor', $this->at(-90));
            for ($k = 0; $k < 8; ++$k) {
                $helper = $this->staff[($n * 7 + $k * 13 + 1) % \count($this->staff)];
                if ($helper !== $lead) {
                    $this->platform->letIn($site, $helper, 'co-tutor', $this->at(-90));
                }
            }
            // A stride without common factor with the number of people meets nobody twice.
            $step = 7_919;
            $start = $this->dice->below($count);
            for ($k = 0; $k < $size; ++$k) {
                $this->platform->letIn(
                    $site,
                    $everybody[($start + $k * $step) % $count][0],
                    'learner',
                    $this->at(-78),
                    lastSeen: $this->now - $this->dice->below(40 * self::DAY),
                );
            }
        }
        $this->platform->write();
    }

    private function foundations(): void
    {
        // Monday of week twelve is this week's Monday: Autumn 2026 begins on 7 September 2026 when today is 24 November
        // 2026.
        $demo = DemoSettings::read()->from(DemoSettings::firstDay($this->monday()));
        foreach ($demo->settings->divisions->all() as $division) {
            $this->divisions[$division->code] = $this->platform->division(
                $division->code,
                $division->name,
                $division->minors,
                null === $division->parent ? null : $this->divisions[$division->parent],
                $division->timeZone,
            );
        }
        $this->platform->rules($demo->rules);
        $this->platform->settings($demo->settings);
        $this->externals = [
            ...array_column(
                array_filter($demo->settings->kinds, static fn(OwnKind $kind): bool => 'external' === $kind->like),
                'code',
            ),
            null,
        ];
        $this->platform->firstStepsDone();
        foreach ($demo->settings->terms as $term) {
            $season = (string) strtok($term->code, '-');
            $this->codes[$season] = $term->code;
            $this->terms[$season] = $this->platform->term($term->code, $term->name, $term->startsOn, $term->endsOn);
        }
    }

    private function signIns(): void
    {
        foreach (DemoSignIns::PEOPLE as $login => [$kind, $division, $given, $family, $level]) {
            $email = 'learner' === $kind && 'harbour' === $division ? null : $login.'@example.org';
            $id = $this->platform->person(
                $kind,
                $this->divisions[$division],
                $given,
                $family,
                $level,
                'staff' === $kind ? $this->staffNumber() : $this->learnerNumber(),
                $email,
                $login,
                further: array_map(
                    static fn(array $name): FurtherName => new FurtherName(...$name),
                    self::BESIDES[$login] ?? [],
                ),
                passwordHash: $this->hash,
                platformAdministrator: 'ingrid.solheim' === $login,
            );
            $this->known[$login] = $id;
            $this->logins[$login] = true;
            if (null === $level) {
                $this->staff[] = $id;
            } else {
                $this->learners[$division][] = [$id, $level];
            }
        }
        $this->platform->administrator($this->known['tobias.wren'], $this->divisions['millrace']);
        $this->platform->administrator($this->known['sunniva.brekke'], $this->divisions['northlight']);
    }

    /** @param array<string, int> $learners how many, by division */
    private function crowd(array $learners, int $staff, int $others, bool $many): void
    {
        for ($n = 0; $n < $staff; ++$n) {
            [$given, $family] = [$this->names->given(), $this->names->family($many)];
            $login = $this->login($given, $family);
            $this->staff[] = $this->platform->person(
                'staff',
                $this->divisions['faculty'],
                $given,
                $family,
                null,
                $this->staffNumber(),
                $login.'@example.org',
                $login,
                passwordHash: $this->hash,
            );
        }
        foreach ($learners as $division => $count) {
            $family = '';
            for ($n = 0; $n < $count; ++$n) {
                // Now and then the next one is a brother or sister, or bears the very same name.
                $family = '' !== $family && $this->dice->chance(6) ? $family : $this->names->family($many);
                $given = $this->names->given();
                $level = match ($division) {
                    'harbour' => $this->dice->between(1, 5),
                    'millrace' => $this->dice->between(6, 10),
                    default => $this->dice->between(1, 4),
                };
                $login = $this->login($given, $family);
                $this->learners[$division][] = [
                    $this->platform->person(
                        'learner',
                        $this->divisions[$division],
                        $given,
                        $family,
                        $level,
                        $this->learnerNumber(),
                        'harbour' === $division && !$this->dice->chance(8) ? null : $login.'@example.net',
                        $login,
                        $this->dice->chance(5) ? $this->names->given() : null,
                        [
                            ...$this->dice->chance(2)
                                ? [new FurtherName(NameKind::Former, '', $this->names->family($many))]
                                : [],
                            ...$many ? [] : $this->names->besides($n, $given, $family),
                        ],
                        $this->hash,
                        accountClosedFrom: $this->dice->chance(1)
                            ? $this->at(-$this->dice->between(1, 30))
                            : Time::FOREVER,
                    ),
                    $level,
                ];
            }
        }
        for ($n = 0; $n < $others; ++$n) {
            [$given, $family] = [$this->names->given(), $this->names->family($many)];
            $kind = $this->dice->chance(80) ? 'guardian' : 'external';
            $this->platform->person(
                $kind,
                $this->divisions[$this->dice->one(['harbour', 'millrace', 'northlight'])],
                $given,
                $family,
                null,
                null,
                $this->login($given, $family).'@example.com',
                passwordHash: 'none',
                ownKind: 'external' === $kind ? $this->externals[$n % \count($this->externals)] : null,
            );
        }
    }

    private function shownSites(): void
    {
        $mara = $this->known['mara.lindqvist'];
        $ends = Time::untilDayIncluded(
            gmdate('Y-m-d', $this->monday() + 25 * self::DAY),
            new \DateTimeZone('Europe/Amsterdam'),
        );
        $staff = \array_slice($this->staff, 6);

        $het = $this->platform->site(
            'HET-2',
            'Harmony & Ear Training II',
            'course',
            $this->divisions['millrace'],
            $this->terms['autumn'],
            [6, 8],
            30,
            $this->at(-78),
            apart: true,
        );
        $sections = [
            $this->platform->section($het, 'Morning', 'Mondays and Wednesdays, 9:30 to 11:00', 16),
            $this->platform->section($het, 'Evening', 'Tuesdays and Thursdays, 18:00 to 19:30', 14, 1),
        ];
        // What is for one section is shown to it alone, and the list that names all of it to everybody.
        foreach (['Morning', 'Evening'] as $n => $name) {
            $parts = 0 === $n ? [2, 3] : [1, 2, 3];
            $meetings = array_map(static fn(int $part): string => "meeting-$part-$sections[$n]", $parts);
            $this->platform->visibility($het, array_fill_keys($meetings, []), "$name only", [
                'kind' => 'sections',
                'names' => [$sections[$n]],
            ]);
        }
        $this->platform->visibility($het, [
            'unit-2' => ['kind' => 'dates', 'from' => gmdate('Y-m-d', $this->at(-40)), 'until' => null],
            'unit-3' => ['kind' => 'dates', 'from' => gmdate('Y-m-d', $this->at(9)), 'until' => null],
        ]);
        $this->platform->letIn($het, $mara, 'lead-tutor', $this->at(-92), lastSeen: $this->now - 3_600, by: $mara);
        $this->platform->letIn($het, $staff[0], 'co-tutor', $this->at(-90), lastSeen: $this->at(-1), by: $mara);
        $this->platform->letIn(
            $het,
            $this->known['jun.okafor-reyes'],
            'class-assistant',
            $this->at(-85),
            section: $sections[0],
            lastSeen: $this->at(-2),
            by: $mara,
        );
        $this->platform->letIn($het, $staff[1], 'sit-in-observer', $this->at(-20), lastSeen: $this->at(-9), by: $mara);
        $this->platform->letIn(
            $het,
            $this->known['elias.nordahl'],
            'learner',
            $this->at(-80),
            new Window($this->at(-78)),
            section: $sections[0],
            lastSeen: $this->at(-1),
            by: $mara,
        );
        $pool = $this->pool('millrace', 6, 8, 30);
        $this->shown['harmony'] = array_column($pool, 0);
        foreach ($pool as $n => [$id]) {
            $given = $this->at(-80) + 60 * $n;
            $seen = 0 === $n % 9 ? null : $this->now - $this->dice->between(1, 20 * 24) * 3_600;
            // Two came late, and nobody has put them anywhere yet.
            $section = \in_array($n, [18, 19], true) ? null : $sections[$n % 2];
            match (true) {
                $n < 20 => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $given,
                    section: $section,
                    lastSeen: $seen,
                    by: $mara,
                ),
                20 === $n => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $given,
                    new Window($given, $this->at(3)),
                    section: $section,
                    lastSeen: $seen,
                    by: $mara,
                ),
                21 === $n => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $given,
                    section: $section,
                    paused: [$this->at(-6), $this->at(8)],
                    lastSeen: $this->at(-8),
                    by: $mara,
                ),
                22 === $n => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $this->at(-2),
                    new Window($this->at(5)),
                    section: $section,
                    by: $mara,
                ),
                $n < 26 => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $given,
                    section: $section,
                    removedAt: $this->at(-30) + 3_600 * $n,
                    lastSeen: $this->at(-33),
                    by: $mara,
                ),
                26 === $n => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $given,
                    new Window($given, $this->at(-52)),
                    section: $section,
                    lastSeen: $this->at(-53),
                    by: $mara,
                ),
                27 === $n => $this->platform->letIn(
                    $het,
                    $id,
                    'learner',
                    $given,
                    removedAt: $this->at(-40),
                    blocked: [$this->at(-40), $this->at(90)],
                    by: $mara,
                ),
                default => null,
            };
        }

        $strings = $this->open('JSO', 'Junior String Orchestra', 'ensemble', 'harbour', [1, 5], 60, $staff[2], $mara);
        foreach ($this->pool('harbour', 2, 5, 46) as $n => [$id]) {
            $this->platform->letIn(
                $strings,
                $id,
                'learner',
                $this->at(-79) + 60 * $n,
                lastSeen: $this->seen(),
                by: $staff[2],
            );
        }
        $this->platform->letIn(
            $strings,
            $this->known['pip.halvorsen'],
            'learner',
            $this->at(-79),
            lastSeen: $this->at(-1),
            by: $staff[2],
        );

        $this->shown['strings'] = $strings;
        $jazz = $this->open('JAZZ', 'Jazz Improvisation Workshop', 'workshop', 'millrace', [7, 10], 24, $mara);
        $this->platform->door($jazz, DoorKind::Key, 'key on the practice-room door');
        $this->shown = ['het' => $het, 'jazz' => $jazz] + $this->shown;
        foreach ($this->pool('millrace', 7, 10, 23) as $n => [$id]) {
            $this->busy[] = $id;
            $this->platform->letIn(
                $jazz,
                $id,
                'learner',
                $this->at(-60) + 7_200 * $n,
                door: DoorKind::Key,
                lastSeen: $this->seen(),
            );
        }

        $baroque = $this->open('BAROQUE', 'The Long Baroque', 'ensemble', 'millrace', [6, 10], null, $staff[3], $mara);
        $this->shown['baroque'] = $baroque;
        $door = $this->platform->door($baroque, DoorKind::Cohort, 'Level 7 strings', by: $mara);
        $players = array_column($this->pool('millrace', 7, 7, 90), 0);
        $this->cohorts($players, $baroque, $door);
        foreach ($players as $id) {
            $this->platform->letIn(
                $baroque,
                $id,
                'learner',
                $this->at(-78),
                new Window($this->at(-78)),
                DoorKind::Cohort,
                lastSeen: $this->seen(),
            );
        }
        $this->platform->letIn(
            $baroque,
            $this->known['elias.nordahl'],
            'learner',
            $this->at(-78),
            new Window($this->at(-78), $ends),
            lastSeen: $this->at(-4),
        );

        $choral = $this->open('CHORAL', 'Choral Studio', 'studio', 'millrace', null, null, $staff[4]);
        $this->platform->door($choral, DoorKind::Preview, 'preview for everybody');
        $this->many($choral, ['millrace' => 640, 'northlight' => 240]);
        $this->platform->letIn(
            $choral,
            $this->known['elias.nordahl'],
            'learner',
            $this->at(-1),
            new Window($this->at(6))
        );

        $brass = $this->platform->site(
            'BRASS',
            'Brass Lab',
            'workshop',
            $this->divisions['millrace'],
            $this->terms['winter'],
            [6, 10],
            16,
        );
        $this->platform->letIn($brass, $mara, 'lead-tutor', $this->at(-5), by: $mara);

        $recital = $this->open('RECITAL', 'Recital Club', 'club', 'millrace', null, null, $staff[5]);
        $this->platform->door($recital, DoorKind::Key, 'self-enrollment');
        $this->many($recital, ['millrace' => 420, 'northlight' => 160], DoorKind::Key);
        $this->platform->letIn(
            $recital,
            $this->known['elias.nordahl'],
            'learner',
            $this->at(-70),
            paused: [$this->at(-3), $this->at(11)],
            door: DoorKind::Key,
        );

        $nerves = $this->open('NERVES', 'Stage Nerves', 'evening', 'northlight', null, 40, $mara);
        $this->shown['nerves'] = $nerves;
        $this->platform->door($nerves, DoorKind::Invitation, 'invitation by e-mail');
        foreach ($this->pool('northlight', 1, 4, 26) as $n => [$id]) {
            $this->platform->letIn(
                $nerves,
                $id,
                'learner',
                $this->at(-10),
                new Window($this->at(-10), $n < 18 ? Time::FOREVER : $this->at(20)),
                DoorKind::Invitation,
                accepted: $n < 18,
                lastSeen: $n < 18 ? $this->seen() : null,
            );
        }

        $winter = $this->platform->site(
            'HET-3',
            'Harmony & Ear Training III',
            'course',
            $this->divisions['millrace'],
            $this->terms['winter'],
            [7, 9],
            30,
            $this->at(48),
        );
        $this->platform->letIn($winter, $staff[0], 'lead-tutor', $this->at(-12), by: $staff[0]);
        foreach ($this->pool('millrace', 7, 9, 12) as [$id]) {
            $this->platform->letIn($winter, $id, 'learner', $this->at(-11), by: $staff[0]);
        }
        $this->platform->letIn($winter, $this->known['elias.nordahl'], 'learner', $this->at(-11), by: $staff[0]);
        (new DemoHours($this->platform, gmdate('Y-m-d', $this->monday())))->furnish(
            [
                'het' => $het,
                'jazz' => $jazz,
                'baroque' => $baroque,
                'choral' => $choral,
                'strings' => $strings,
                'nerves' => $nerves,
            ],
            $sections,
        );
        $this->planned($het, $sections, array_column($pool, 0));
        $this->termChange(['Harmony & Ear Training II' => $het, 'Jazz Improvisation Workshop' => $jazz], $mara);
        (new DemoGroups($this->platform))->teams($het, array_column($pool, 0), $mara);
    }

    /**
     * A change of term that is ready to be looked at: two sites of somebody's go on in the next term.
     *
     * @param array<string, string> $sites ids by title
     */
    private function termChange(array $sites, string $by): void
    {
        $chosen = [];
        foreach ($sites as $title => $site) {
            $chosen[] = ['id' => $site, 'name' => $title, 'title' => '', 'code' => ''];
        }
        $work = ['sites' => $chosen, 'term' => $this->codes['winter'], 'leave' => 'learners', 'waiting' => true];
        $this->platform->draft('term-change', implode(', ', array_keys($sites)), $work, $by, $this->at(-2));
    }

    /** @param list<string> $players ids of those who play strings at level 7 */
    private function cohorts(array $players, string $site, string $door): void
    {
        $cohorts = new DemoCohorts($this->platform, $this->known['ingrid.solheim']);
        $cohorts->strings($this->divisions['millrace'], $players, $site, $door, $this->at(-78));
        $cohorts->firstYear($this->divisions['northlight'], $this->at(-70));
        $millrace = array_column($this->strangers('millrace'), 0);
        $harbour = array_column($this->strangers('harbour'), 0);
        $cohorts->lists(
            $this->divisions['millrace'],
            \array_slice($millrace, 40, 9),
            [...\array_slice($millrace, 300, 8), ...\array_slice($harbour, 200, 5)],
            $this->at(-40),
        );
    }

    /**
     * Learners of a site are asked which section they would like from now on; half of them have said.
     *
     * @param list<string> $sections ids
     * @param list<string> $people   ids
     */
    private function planned(string $site, array $sections, array $people): void
    {
        $wishes = [];
        foreach (\array_slice($people, 0, 23) as $n => $person) {
            if (0 !== $n % 2 || $n < 4) {
                // More would like the evening than have a place there.
                $wishes[$person] = 0 === $n % 4 ? $sections : array_reverse($sections);
            }
        }
        $until = Time::untilDayIncluded(gmdate('Y-m-d', $this->at(4)), new \DateTimeZone('Europe/Amsterdam'));
        $terms = new PlanTerms([$sections[0] => null, $sections[1] => 8], Moves::All);
        $this->platform->plan($site, $terms, new Window($this->at(-2), $until), $wishes);
    }

    /** The rest of the platform: small classes of every division, a few for everybody. */
    private function otherSites(): void
    {
        $staff = \array_slice($this->staff, 10);
        $topics = [
            'Counterpoint',
            'Score Reading',
            'Chamber Music',
            'Keyboard Skills',
            'Songwriting',
            'Music and Movement',
            'Conducting',
            'Sight Singing',
            'Folk Fiddle',
            'Percussion Circle',
            'Music Technology',
            'Opera Scenes',
            'Recorder Consort',
            'Wind Band',
            'Accompaniment',
        ];
        $made = 0;
        foreach (['harbour', 'millrace', 'northlight'] as $division) {
            foreach (\array_slice($topics, 0, 9) as $n => $topic) {
                $title =
                    $topic
                    .' '
                    .['harbour' => 'for Juniors', 'millrace' => 'Seminar', 'northlight' => 'Evenings'][$division];
                $closed = 0 === $made % 9;
                $site = $this->platform->site(
                    strtoupper(substr($division, 0, 1)).'-'.\sprintf('%02d', ++$made),
                    $title,
                    $n % 3 > 1 ? 'ensemble' : 'course',
                    $this->divisions[$division],
                    $this->terms['autumn'],
                    null,
                    60,
                    $this->at(-78),
                    $closed ? $this->at(-4) : Time::FOREVER,
                );
                $this->platform->letIn(
                    $site,
                    $staff[($made * 3) % \count($staff)],
                    'lead-tutor',
                    $this->at(-90),
                    lastSeen: $this->seen(),
                );
                $this->platform->letIn(
                    $site,
                    $staff[($made * 3 + 1) % \count($staff)],
                    'co-tutor',
                    $this->at(-88),
                    lastSeen: $this->seen(),
                );
                $learners = $this->dice->some($this->learners[$division], $this->dice->between(36, 56));
                foreach ($learners as [$id]) {
                    $this->platform->letIn($site, $id, 'learner', $this->at(-78), lastSeen: $this->seen());
                }
                if ('Sight Singing Seminar' === $title) {
                    $this->seminar($site, array_column($learners, 0));
                } elseif ('Chamber Music Seminar' === $title) {
                    $mara = $this->known['mara.lindqvist'];
                    $this->platform->letIn($site, $mara, 'co-tutor', $this->at(-88), lastSeen: $this->at(-2));
                    (new DemoGroups($this->platform))->quartets($site, array_column($learners, 0), $mara);
                }
            }
        }
        foreach (
            [
                ['PRACTICE', 'Practice Rooms & Library', ['harbour' => 760, 'millrace' => 850, 'northlight' => 420]],
                ['CONCERTS', 'Concert Season', ['harbour' => 380, 'millrace' => 820, 'northlight' => 400]],
                ['SAFETY', 'Hearing Health & Safety', ['harbour' => 500, 'millrace' => 600, 'northlight' => 400]],
                ['NEWCOMERS', 'Newcomers\' Week', ['harbour' => 320, 'millrace' => 340, 'northlight' => 190]],
            ] as [$code, $title, $from]
        ) {
            $site = $this->open(
                $code,
                $title,
                'club',
                'faculty',
                null,
                null,
                $staff[$made % \count($staff)],
                $staff[($made + 1) % \count($staff)],
            );
            $this->many($site, $from);
            ++$made;
        }
    }

    /**
     * A seminar of which one section meets when a section of another site does, that several of its learners are in.
     *
     * @param list<string> $learners ids
     */
    private function seminar(string $site, array $learners): void
    {
        $sections = [
            $this->platform->section($site, 'Mondays', 'Mondays, 10:00 to 11:00', 40),
            $this->platform->section($site, 'Fridays', 'Fridays, 10:00 to 11:00', 40, 1),
        ];
        $this->platform->letIn($site, $this->known['mara.lindqvist'], 'co-tutor', $this->at(-60));
        foreach (array_diff(\array_slice($this->shown['harmony'], 2, 9), $learners) as $id) {
            $this->platform->letIn($site, $id, 'learner', $this->at(-60));
        }
        (new DemoHours($this->platform, gmdate('Y-m-d', $this->monday())))->seminar($site, $sections);
        $this->platform->plan($site, new PlanTerms([$sections[0] => null, $sections[1] => null]));
    }

    /** What came after everything else: a list of the registrar's that is the registrar's alone, and labels. */
    private function afterwards(): void
    {
        [$mara, $baroque, $harmony] = [
            $this->known['mara.lindqvist'],
            $this->shown['baroque'],
            $this->shown['harmony'],
        ];
        $this->platform->door($baroque, DoorKind::Feed, 'registrar\'s list', true);
        foreach ($this->pool('millrace', 8, 8, 7) as [$id]) {
            $this->platform->letIn(
                $baroque,
                $id,
                'learner',
                $this->at(-40),
                door: DoorKind::Feed,
                lastSeen: $this->seen(),
            );
        }
        $this->platform->label('plays viola', \array_slice($harmony, 1, 4), $mara);
        $this->platform->label('needs large print', \array_slice($harmony, 6, 2), $mara);
        $this->platform->label('choir tour', [...\array_slice($harmony, 3, 5), $this->known['elias.nordahl']], $mara);
    }

    /** @param array{int, int}|null $levels */
    private function open(
        string $code,
        string $title,
        string $kind,
        string $division,
        ?array $levels,
        ?int $seats,
        string $lead,
        ?string $coTutor = null,
    ): string {
        $site = $this->platform->site(
            $code,
            $title,
            $kind,
            $this->divisions[$division],
            $this->terms['autumn'],
            $levels,
            $seats,
            $this->at(-78),
        );
        $this->platform->letIn($site, $lead, 'lead-tutor', $this->at(-92), lastSeen: $this->seen(), by: $lead);
        if (null !== $coTutor) {
            $this->platform->letIn($site, $coTutor, 'co-tutor', $this->at(-91), lastSeen: $this->seen(), by: $lead);
        }

        return $site;
    }

    /** @param array<string, int> $from how many, by division */
    private function many(string $site, array $from, DoorKind $door = DoorKind::Staff): void
    {
        foreach ($from as $division => $count) {
            foreach ($this->dice->some($this->strangers($division), $count) as [$id]) {
                $this->platform->letIn(
                    $site,
                    $id,
                    'learner',
                    $this->at(-$this->dice->between(20, 78)),
                    door: $door,
                    lastSeen: $this->seen(),
                );
            }
        }
    }

    /** @return list<array{string, int}> so many learners of a division and some levels, none of the demo's own */
    private function pool(string $division, int $lowest, int $highest, int $count): array
    {
        return $this->dice->some(
            array_values(
                array_filter(
                    $this->strangers($division),
                    static fn(array $learner): bool => $lowest <= $learner[1] && $learner[1] <= $highest,
                ),
            ),
            $count,
        );
    }

    /** @return list<array{string, int}> */
    private function strangers(string $division): array
    {
        return array_values(
            array_filter(
                $this->learners[$division],
                fn(array $learner): bool => !\in_array($learner[0], $this->known, true),
            ),
        );
    }

    private function seen(): ?int
    {
        return $this->dice->chance(8) ? null : $this->now - $this->dice->skewed(60 * 24) * 3_600;
    }

    /** Some days from the start of today, in whole days. */
    private function at(int $days): int
    {
        return intdiv($this->now, self::DAY) * self::DAY + 8 * 3_600 + $days * self::DAY;
    }

    /** The first instant of this week's Monday. */
    private function monday(): int
    {
        return (intdiv($this->now, self::DAY) - (int) gmdate('N', $this->now) + 1) * self::DAY;
    }

    private function login(string $given, string $family): string
    {
        $base = implode('.', \array_slice(\MintDoor\Core\Text\Folding::tokens($given.' '.$family), 0, 3));
        $login = $base;
        for ($n = 2; isset($this->logins[$login]); ++$n) {
            $login = $base.$n;
        }
        $this->logins[$login] = true;

        return $login;
    }

    private function learnerNumber(): string
    {
        $digits = (string) ++$this->numbers;

        return $digits.Luhn::checkDigit($digits);
    }

    private function staffNumber(): string
    {
        return 'S'.++$this->staffNumbers;
    }
}
