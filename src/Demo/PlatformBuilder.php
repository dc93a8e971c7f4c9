<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Changes\EffectCodec;
use MintDoor\Changes\Repository\ChangeStore;
use MintDoor\Core\Changes\Effect;
use MintDoor\Core\People\FurtherName;
use MintDoor\Core\Platform\FirstStep;
use MintDoor\Core\Platform\FirstStepState;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Hours;
use MintDoor\Groups\WishesRequest;
use MintDoor\People\Facts;
use MintDoor\People\FoundBy;
use MintDoor\People\Repository\PeopleWriter;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\PlanTerms;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Roles\RulesCodec;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\StandingShown;
use MintDoor\Shared\BulkId;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Sites\Repository\SiteTerms;
use MintDoor\Weeks\HoursCodec;
use MintDoor\Weeks\Recurrence;

/**
 * Furnishes a platform: divisions, people, sites and who is in them, written in bulk and consistent with what the
 * handlers would have written. The demo, the benchmarks and the tests build with it. The same calls give the same ids.
 */
final class PlatformBuilder
{
    /** 2026-01-01T00:00:00Z in milliseconds: the time part of the ids. */
    private const IDS_FROM = 1_767_225_600_000;

    /** Seconds since accounts were made. */
    private const SINCE = 110 * 86_400;

    /** What others point to comes first. */
    private const TABLES = [
        'division',
        'division_within',
        'term',
        'person',
        'account',
        'rule_book',
        'settings_version',
        'first_step',
        'division_administrator',
        'label',
        'site',
        'site_term',
        'door',
        'section',
        'hours',
        'site_plan',
        'plan_wish',
        'group_split',
        'site_group',
        'group_task',
        'named_visibility',
        'item_visibility',
        'enrollment',
        'access_grant',
        'enrollment_override',
        'change_list',
        'change_line',
        'group_place',
        'group_invite',
        'cohort',
        'cohort_member',
        'cohort_link',
        'link_work',
        'fact_watched',
    ];

    private readonly BulkWriter $rows;

    private readonly PeopleWriter $people;

    private int $made = 0;

    /** @var array<string, list<string>> division id => its own and those above */
    private array $above = [];

    private RoleBook $roles;

    private ?DemoDetails $details = null;

    /** @var array<string, FoundBy> person id => how lists sort them, and the words they are found by */
    private array $names = [];

    /** @var array<string, array<string, string>> site id => door kind => id */
    private array $doors = [];

    /**
     * @var array<string, list<array{int, string, string, string, array<string, mixed>, ?string}>> site id => entries of
     *     its history
     */
    private array $log = [];

    /** @param ?BulkWriter $rows that writes otherwise than into the database */
    public function __construct(
        private readonly Connection $db,
        private readonly int $now,
        ?BulkWriter $rows = null,
    ) {
        $this->rows = $rows ?? new BulkWriter($db, self::TABLES);
        $this->people = new PeopleWriter($db, $this->rows, $rows, noted: false);
        $this->roles = new RoleBook([]);
    }

    public function id(): string
    {
        ++$this->made;
        $mixed = hash('xxh3', (string) $this->made);

        return \sprintf(
            '%s-%s-7%s-8%s-%s',
            substr($time = \sprintf('%012x', self::IDS_FROM + $this->made), 0, 8),
            substr($time, 8),
            substr($mixed, 0, 3),
            substr($mixed, 3, 3),
            substr($mixed, 4, 12),
        );
    }

    /** @param ?string $parent id of the division it is a part of; it is made before */
    public function division(
        string $code,
        string $name,
        bool $minors = false,
        ?string $parent = null,
        string $timeZone = 'Europe/Amsterdam',
    ): string {
        $this->rows->add('division', [
            'id' => BulkWriter::id($id = $this->id()),
            'code' => $code,
            'name' => $name,
            'minors' => $minors,
            'language' => 'en-GB',
            'time_zone' => $timeZone,
            'parent_id' => null === $parent ? null : BulkWriter::id($parent),
        ]);
        $this->above[$id] = [$id, ...$this->above[$parent ?? ''] ?? []];
        foreach ($this->above[$id] as $above) {
            $this->rows->add('division_within', [
                'above_id' => BulkWriter::id($above),
                'division_id' => BulkWriter::id($id),
            ]);
        }

        return $id;
    }

    public function term(string $code, string $name, string $startsOn, string $endsOn): string
    {
        $this->rows->add('term', [
            'id' => BulkWriter::id($id = $this->id()),
            'code' => $code,
            'name' => $name,
            'starts_on' => $startsOn,
            'ends_on' => $endsOn,
        ]);

        return $id;
    }

    /**
     * @param list<string> $juniors
     * @param list<string> $seniors
     */
    public function roles(array $juniors, array $seniors, ?Rules $own = null): RoleBook
    {
        $this->rules($own ?? Rules::first($juniors, $seniors));

        return $this->roles;
    }

    public function rules(Rules $rules): void
    {
        $this->roles = $rules->roles;
        $this->rows->add('rule_book', [
            'version' => 1,
            'made_at' => Instant::toSql($this->now),
            'settings' => json_encode(RulesCodec::write($rules), \JSON_THROW_ON_ERROR),
        ]);
    }

    /** The first version of settings, whose divisions and terms are made besides. */
    public function settings(Settings $settings): void
    {
        $this->details = [] === $settings->details ? null : new DemoDetails($settings->details, $this->now);
        $this->rows->add('settings_version', [
            'version' => 1,
            'made_at' => Instant::toSql($this->now),
            'settings' => json_encode(SettingsCodec::write($settings), \JSON_THROW_ON_ERROR),
        ]);
    }

    /** Nobody is asked for the first steps of a platform that has them behind it. */
    public function firstStepsDone(): void
    {
        foreach (FirstStep::cases() as $step) {
            $this->rows->add('first_step', [
                'step' => $step->value,
                'state' => FirstStepState::Done->value,
                'said_at' => Instant::toSql($this->now),
            ]);
        }
    }

    /**
     * @param string             $division     id
     * @param 'none'|string|null $passwordHash null for an account without a password, 'none' for no account
     * @param list<FurtherName>  $further      names besides
     */
    public function person(
        string $kind,
        string $division,
        string $given,
        string $family,
        ?int $level = null,
        ?string $number = null,
        ?string $email = null,
        ?string $login = null,
        ?string $preferred = null,
        array $further = [],
        ?string $passwordHash = null,
        bool $platformAdministrator = false,
        int $accountClosedFrom = Time::FOREVER,
        ?string $ownKind = null,
    ): string {
        $id = $this->id();
        $this->names[$id] = $this->people->add(
            $id,
            $kind,
            $division,
            new Facts($given, $family, $preferred, $further, $level, $number, $email, $ownKind),
            $login,
        );
        if ('none' !== $passwordHash && null !== $login) {
            $this->people->account(
                $id,
                $login,
                $this->now - self::SINCE,
                $passwordHash,
                $accountClosedFrom,
                $platformAdministrator,
            );
        }

        if (null !== $this->details) {
            $this->people->details($id, $this->details->of($id, $kind));
        }

        return $id;
    }

    public function administrator(string $person, string $division): void
    {
        $this->rows->add('division_administrator', [
            'person_id' => BulkWriter::id($person),
            'division_id' => BulkWriter::id($division),
        ]);
    }

    /** @param array{int, int}|null $levels */
    public function site(
        string $code,
        string $title,
        string $kind,
        string $division,
        ?string $term,
        ?array $levels = null,
        ?int $seats = null,
        int $opensAt = Time::FOREVER,
        int $closesAt = Time::FOREVER,
        ?int $leadLimit = null,
        bool $apart = false,
    ): string {
        $id = $this->id();
        $this->rows->add('site', [
            'id' => BulkWriter::id($id),
            'code' => $code,
            'title' => $title,
            'kind' => $kind,
            'division_id' => BulkWriter::id($division),
            'term_id' => BulkWriter::id($term),
            'level_lowest' => $levels[0] ?? null,
            'level_highest' => $levels[1] ?? null,
            'seats' => $seats,
            'lead_limit' => $leadLimit,
            'time_zone' => 'Europe/Amsterdam',
            'opens_at' => Instant::toSql($opensAt),
            'closes_at' => Instant::toSql($closesAt),
            'version' => 1,
            'roster_version' => 0,
            'log_sequence' => 0,
            'sections_apart' => (int) $apart,
        ]);
        SiteTerms::addTo($this->rows, $id, $title, $code);
        $this->door($id, DoorKind::Staff);

        return $id;
    }

    /** A door of a site; a further one of the same kind takes the place of the one before when people are let in. */
    /** @param ?string $by id of who stands behind it */
    public function door(
        string $site,
        DoorKind $kind,
        string $name = '',
        bool $reserved = false,
        ?string $by = null,
    ): string {
        $this->rows->add('door', [
            'id' => BulkWriter::id($id = $this->id()),
            'site_id' => BulkWriter::id($site),
            'kind' => $kind->value,
            'name' => $name,
            'state' => 'open',
            'reserved' => $reserved,
            'made_by' => BulkWriter::id($by),
        ]);

        return $this->doors[$site][$kind->value] = $id;
    }

    public function section(string $site, string $name, string $meets, ?int $seats = null, int $place = 0): string
    {
        $this->rows->add('section', [
            'id' => BulkWriter::id($id = $this->id()),
            'site_id' => BulkWriter::id($site),
            'name' => $name,
            'meets' => $meets,
            'seats' => $seats,
            'place' => $place,
        ]);

        return $id;
    }

    /** When a site meets, or a section of it: the id of the hours given is not looked at. */
    public function hours(Hours $hours, int $place = 0): void
    {
        $meetings = $hours->meetings(Recurrence::days($hours));
        $this->rows->add('hours', [
            'id' => BulkWriter::id($this->id()),
            'site_id' => BulkWriter::id($hours->site),
            'section_id' => BulkWriter::id($hours->section),
            'place' => $place,
            'place_key' => $hours->place->key(),
            'terms' => json_encode(HoursCodec::terms($hours), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            'meetings' => json_encode(HoursCodec::kept($hours, $meetings), \JSON_THROW_ON_ERROR),
            'from_at' => Instant::toSql($meetings[0]->from),
            'until_at' => Instant::toSql($meetings[\count($meetings) - 1]->until),
        ]);
    }

    /**
     * A plan of a site, for whose sections learners are asked what they wish, or not.
     *
     * @param array<string, list<string>> $wishes by person: ids of sections, the first wish first
     */
    public function plan(string $site, PlanTerms $terms, ?Window $asked = null, array $wishes = []): void
    {
        $this->rows->add('site_plan', [
            'id' => BulkWriter::id($plan = $this->id()),
            'site_id' => BulkWriter::id($site),
            'state' => SitePlan::SET,
            'version' => 2,
            'opens_at' => null === $asked ? null : Instant::toSql($asked->from),
            'closes_at' => null === $asked ? null : Instant::toSql($asked->until),
            'asked_at' => null === $asked ? null : Instant::toSql($asked->from),
            'done' => 0,
            'steps' => 0,
            'stops' => 0,
            'terms' => json_encode($terms->kept(), \JSON_THROW_ON_ERROR),
        ]);
        foreach ($wishes as $person => $sections) {
            $this->rows->add('plan_wish', [
                'plan_id' => BulkWriter::id($plan),
                'person_id' => BulkWriter::id((string) $person),
                'sections' => json_encode($sections, \JSON_THROW_ON_ERROR),
                'said_at' => Instant::toSql(($asked->from ?? $this->now) + 3_600),
            ]);
        }
    }

    /**
     * Who sees some items of a site, by a sentence with a name or each by their own.
     *
     * @param array<string, array<string, mixed>> $items    sentences as `VisibilityCodec` writes them, by item
     * @param array<string, mixed>                $sentence
     */
    public function visibility(string $site, array $items, string $name = '', array $sentence = []): void
    {
        $named = '' === $name ? null : $this->id();
        null === $named || $this->rows->add('named_visibility', [
            'id' => BulkWriter::id($named),
            'site_id' => BulkWriter::id($site),
            'name' => $name,
            'sentence' => json_encode($sentence, \JSON_THROW_ON_ERROR),
        ]);
        foreach ($items as $item => $own) {
            $this->rows->add('item_visibility', [
                'site_id' => BulkWriter::id($site),
                'item' => $item,
                'named_id' => BulkWriter::id($named),
                'sentence' => null === $named ? json_encode($own, \JSON_THROW_ON_ERROR) : null,
            ]);
        }
    }

    /**
     * One way of dividing the learners of a site.
     *
     * @param array<string, list<string>> $groups  ids of those in each, by its name
     * @param array{int, int}             $sizes   how many each has, from and to
     * @param array<string, string>       $leaders ids of people, by the group's name
     * @param int                         $chooses days for which people choose by themselves
     *
     * @return string its id
     */
    public function split(
        string $site,
        string $name,
        array $groups,
        array $sizes,
        string $by,
        int $place = 0,
        array $leaders = [],
        ?WishesRequest $wishes = null,
        int $chooses = 0,
    ): string {
        $zone = new \DateTimeZone('Europe/Amsterdam');
        $last = gmdate('Y-m-d', $this->now + $chooses * 86_400);
        $this->rows->add('group_split', [
            'id' => BulkWriter::id($split = $this->id()),
            'site_id' => BulkWriter::id($site),
            'name' => $name,
            'least' => $sizes[0],
            'most' => $sizes[1],
            'place' => $place,
            'version' => 1,
            'opens_at' => 0 === $chooses ? null : Instant::toSql($this->now - 86_400),
            'closes_at' => 0 === $chooses ? null : Instant::toSql(Time::untilDayIncluded($last, $zone)),
            'asked_at' => 0 === $chooses ? null : Instant::toSql($this->now - 86_400),
            'founds' => $chooses > 0,
            'settles' => $chooses > 0,
            'opened_by' => 0 === $chooses ? null : BulkWriter::id($by),
            'wishes' => null === $wishes ? null : json_encode($wishes->kept(), \JSON_THROW_ON_ERROR),
        ]);
        foreach (array_keys($groups) as $n => $called) {
            $this->rows->add('site_group', [
                'id' => BulkWriter::id($group = $this->id()),
                'split_id' => BulkWriter::id($split),
                'name' => $called,
                'leader_id' => BulkWriter::id($leaders[$called] ?? null),
                'notes' => '',
                'place' => $n,
            ]);
            foreach ($groups[$called] as $person) {
                $this->rows->add('group_place', [
                    'id' => BulkWriter::id($this->id()),
                    'split_id' => BulkWriter::id($split),
                    'group_id' => BulkWriter::id($group),
                    'person_id' => BulkWriter::id($person),
                    'from_at' => Instant::toSql($this->now - 20 * 86_400),
                    'put_by' => BulkWriter::id($by),
                    'live' => true,
                ]);
            }
        }

        return $split;
    }

    /** @param list<string> $people ids */
    public function label(string $name, array $people, string $by): void
    {
        $this->rows->add('label', [
            'id' => BulkWriter::id($id = $this->id()),
            'name' => $name,
            'made_by' => BulkWriter::id($by),
        ]);
        foreach ($people as $person) {
            $this->rows->add('person_label', [
                'person_id' => BulkWriter::id($person),
                'label_id' => BulkWriter::id($id),
                'put_by' => BulkWriter::id($by),
                'put_at' => Instant::toSql($this->now),
            ]);
        }
    }

    /**
     * @param ?string                $division id; null for the whole platform
     * @param ?array<string, mixed>  $rule     null for a list
     * @param list<string>           $people   ids of those who belong
     * @param int                    $since    when they began to
     */
    public function cohort(
        string $name,
        ?string $division,
        ?array $rule,
        array $people,
        int $since,
        string $by,
    ): string {
        $this->rows->add('cohort', [
            'id' => BulkWriter::id($id = $this->id()),
            'name' => $name,
            'kind' => null === $rule ? 'list' : 'rule',
            'division_id' => BulkWriter::id($division),
            'made_by' => BulkWriter::id($by),
            'made_at' => Instant::toSql($since),
            'rule' => null === $rule ? null : json_encode($rule, \JSON_THROW_ON_ERROR),
            // Whoever belongs by the rule besides is found once it is looked at.
            'stale' => null !== $rule,
            'settings' => 1,
        ]);
        foreach ($people as $person) {
            $this->rows->add('cohort_member', [
                'cohort_id' => BulkWriter::id($id),
                'person_id' => BulkWriter::id($person),
                'from_at' => Instant::toSql($since),
                'until_at' => Instant::toSql(Time::FOREVER),
                'put_by' => null === $rule ? BulkWriter::id($by) : null,
            ]);
        }

        return $id;
    }

    /** Connects a cohort with a site by a door that is there. */
    public function connect(string $cohort, string $door, string $role, int $days): void
    {
        $this->rows->add('cohort_link', [
            'id' => BulkWriter::id($this->id()),
            'cohort_id' => BulkWriter::id($cohort),
            'door_id' => BulkWriter::id($door),
            'role' => $role,
            'days' => $days,
        ]);
    }

    /** @param list<string> $what that rules read */
    public function watch(array $what): void
    {
        foreach ($what as $each) {
            $this->rows->add('fact_watched', ['what' => $each]);
        }
    }

    /**
     * Lets somebody in, with whatever happened to them since. Once per site and person.
     *
     * @param ?int                $givenAt     an instant; null for now
     * @param ?Window             $window      null for from then on
     * @param ?int                $removedAt  from when on
     * @param ?array{int, int}    $paused      from, until
     * @param ?array{int, int}    $blocked     from, until
     * @param ?array{string, int} $roleByHand  code, from
     * @param ?string             $by          who did all this; also writes it to the history
     */
    public function letIn(
        string $site,
        string $person,
        string $role,
        ?int $givenAt = null,
        ?Window $window = null,
        DoorKind $door = DoorKind::Staff,
        ?string $section = null,
        bool $accepted = true,
        ?int $removedAt = null,
        ?array $paused = null,
        ?array $blocked = null,
        ?array $roleByHand = null,
        ?int $lastSeen = null,
        ?string $by = null,
    ): void {
        $givenAt ??= $this->now;
        $window ??= new Window($givenAt);
        $overrides = [];
        [$setRole, $setFrom] = $roleByHand ?? [null, null];
        $stretches = [
            [OverrideKind::Paused, $paused, null],
            [OverrideKind::Blocked, $blocked, null],
            [OverrideKind::Role, null === $setFrom ? null : [$setFrom, Time::FOREVER], $setRole],
        ];
        foreach ($stretches as [$kind, $stretch, $of]) {
            if (null !== $stretch) {
                $overrides[] = new Override($this->id(), $kind, new Window($stretch[0], $stretch[1]), $of);
            }
        }
        $bare = new Grant(
            $this->id(),
            $this->doors[$site][$door->value],
            $door,
            $role,
            $givenAt,
            $window,
            $accepted ? $givenAt : Time::FOREVER,
            $section,
        );
        $withdrawn = null === $removedAt ? null : new Override(
            $this->id(),
            OverrideKind::Withdrawn,
            new Window($removedAt)
        );
        $grant = null === $withdrawn ? $bare : $bare->withOverrides([$withdrawn]);
        $this->store($site, $person, new Enrollment([$grant], $overrides), $lastSeen, $by);
        if (null !== $by) {
            $this->logged(
                $site,
                $person,
                $by,
                $givenAt,
                'let-in',
                Effect::giveGrant($bare),
                new Enrollment([$bare]),
                1
            );
            if (null !== $withdrawn && null !== $removedAt) {
                $this->logged(
                    $site,
                    $person,
                    $by,
                    $removedAt,
                    'remove',
                    Effect::putOverride($grant->id, $withdrawn),
                    new Enrollment([$grant]),
                    2,
                );
            }
        }
    }

    public function write(): void
    {
        foreach ($this->log as $site => $entries) {
            usort($entries, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
            foreach ($entries as $index => [$at, $actor, $code, $person, $data, $line]) {
                $this->rows->add('history_entry', [
                    'id' => BulkWriter::id($this->id()),
                    'site_id' => BulkWriter::id($site),
                    'sequence' => $index + 1,
                    'at' => Instant::toSql($at),
                    'actor_id' => BulkWriter::id($actor),
                    'code' => $code,
                    'data' => json_encode((object) $data, \JSON_THROW_ON_ERROR),
                    'person_id' => BulkWriter::id('' === $person ? null : $person),
                    'line_id' => BulkWriter::id($line),
                    'address' => '127.0.0.1',
                    'schema_version' => 1,
                ]);
            }
        }
        $this->people->write();
        // Counts kept from before do not know of what was just written.
        $this->db->executeStatement('DELETE FROM site_count');
        foreach ($this->log as $site => $entries) {
            $this->db->executeStatement('UPDATE site SET log_sequence = ?, last_entry_at = ? WHERE id = ?', [
                \count($entries),
                Instant::toSql(max([Time::BEGINNING, ...array_column($entries, 0)])),
                Id::binary($site),
            ]);
        }
        $this->log = [];
    }

    private function logged(
        string $site,
        string $person,
        string $by,
        int $at,
        string $verb,
        Effect $effect,
        Enrollment $after,
        int $version,
    ): void {
        $changeList = $this->id();
        $line = $this->id();
        $timeline = $after->timeline();
        $before = StandingShown::of($timeline->at($at - 1), $this->roles);
        $now = StandingShown::of($timeline->at($at), $this->roles);
        $this->rows->add('change_list', [
            'id' => BulkWriter::id($changeList),
            'site_id' => BulkWriter::id($site),
            'made_by' => BulkWriter::id($by),
            'made_at' => Instant::toSql($at),
            'state' => 'applied',
            'total' => 1,
            'done' => 1,
            'applied' => 1,
            'changed_at' => Instant::toSql($at),
            'changed_by' => BulkWriter::id($by),
            'kind' => 'single',
            'title' => '',
            'work' => null,
        ]);
        $this->rows->add('change_line', [
            'id' => BulkWriter::id($line),
            'change_list_id' => BulkWriter::id($changeList),
            'position' => 1,
            'site_id' => BulkWriter::id($site),
            'person_id' => BulkWriter::id($person),
            'verb' => $verb,
            'verdict' => 'ready',
            'state_before' => json_encode($before, \JSON_THROW_ON_ERROR),
            'state_after' => json_encode($now, \JSON_THROW_ON_ERROR),
            'notes' => '{"reasons":[],"cautions":[]}',
            'effects' => json_encode([EffectCodec::write($effect)], \JSON_THROW_ON_ERROR),
            'version_after' => $version,
        ]);
        $this->log[$site][] = [$at, $by, $verb, $person, ['before' => $before, 'after' => $now], $line];
    }

    /**
     * A change list that somebody works on, over several sites.
     *
     * @param array<string, mixed> $work as the screen keeps it
     */
    public function draft(string $kind, string $title, array $work, string $by, int $at): void
    {
        $this->rows->add('change_list', [
            'id' => BulkWriter::id($this->id()),
            'site_id' => null,
            'made_by' => BulkWriter::id($by),
            'made_at' => Instant::toSql($at),
            'state' => 'draft',
            'total' => 0,
            'done' => 0,
            'applied' => 0,
            'changed_at' => Instant::toSql($at),
            'changed_by' => BulkWriter::id($by),
            'kind' => $kind,
            'title' => $title,
            'work' => json_encode($work, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
        ]);
    }

    private function store(string $site, string $person, Enrollment $enrollment, ?int $lastSeen, ?string $by): void
    {
        $whose = ['site_id' => BulkWriter::id($site), 'person_id' => BulkWriter::id($person)];
        $this->rows->add('enrollment', [
            ...$whose,
            'version' => null !== $by && [] !== ($enrollment->grants[0]->overrides ?? []) ? 2 : 1,
            'last_seen_at' => null === $lastSeen ? null : Instant::toSql($lastSeen),
            'terms' => $this->names[$person]->terms,
        ]);
        foreach ($enrollment->grants as $grant) {
            $this->rows->add('access_grant', [
                ...ChangeStore::grant($grant),
                ...$whose,
                'given_by' => BulkWriter::id($by),
                'live' => true,
            ]);
            foreach ($grant->overrides as $override) {
                $this->override($whose, $override, $grant->id, $by);
            }
        }
        foreach ($enrollment->overrides as $override) {
            $this->override($whose, $override, null, $by);
        }
        foreach ($enrollment->timeline()->segments as $segment) {
            $this->rows->add('enrollment_segment', [
                ...$whose,
                ...Enrollments::columns($segment, $this->roles),
                'sort_name' => $this->names[$person]->sortName,
                'alike' => $this->names[$person]->alike,
            ]);
        }
    }

    /** @param array<string, BulkId|null> $whose */
    private function override(array $whose, Override $override, ?string $grant, ?string $by): void
    {
        $this->rows->add(
            'enrollment_override',
            [...ChangeStore::override($override, $grant), ...$whose, 'put_by' => BulkWriter::id($by)]
        );
    }
}
