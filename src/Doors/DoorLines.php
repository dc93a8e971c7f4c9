<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Changes\ChangeStore;
use MintDoor\Changes\StoredLine;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Note;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Time\Window;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/**
 * What happens at doors, as lines of change lists like everything else. Runs inside a transaction, under the site's
 * lock.
 */
final readonly class DoorLines
{
    public function __construct(
        private Connection $db,
        private LineComputer $computer,
        private ChangeStore $store,
        private ChangeContextLoader $contextLoader,
        private Roles $roles,
    ) {}

    /**
     * Lets somebody in who stands before a door; the line says why not, where a law forbids it.
     *
     * @param ?Caller $by null for themselves
     */
    public function comeIn(DoorContext $at, ?string $section, ?Caller $by = null): ComputedChange
    {
        $line = $this->computer->comeIn(
            $at->context,
            $at->door->id('id'),
            $at->terms->kind,
            $at->terms->text('role'),
            $this->window($at->access, $at->terms),
            $this->section($at, $section),
        );
        $this->keep($at->access, $at->person, 'come-in', $line, $by);
        if (Verdict::Ready === $line->verdict) {
            $this->close($at->door->id('id'), $at->person->id('person_id'), 'in', $at->access, $by);
        }

        return $line;
    }

    /**
     * Has somebody wait at a door.
     *
     * @param 'seat'|'approval' $for
     */
    public function stand(DoorContext $at, string $for, ?string $section, string $why): void
    {
        $line = $this->computer->stand(
            $at->context,
            $at->door->id('id'),
            $at->terms->kind,
            $at->terms->text('role'),
            $this->window($at->access, $at->terms),
            'choice' === $at->terms->text('place') ? $section : null,
        );
        $this->keep($at->access, $at->person, 'wait', $line, null);
        $this->db->executeStatement(
            <<<'SQL'
                INSERT INTO waiter (site_id, door_id, person_id, what, state, waits, section_id, why, made_at)
                VALUES (?, ?, ?, ?, 'waiting', 1, ?, ?, ?)
                SQL,
            [
                Id::binary($at->access->site->id),
                Id::binary($at->door->id('id')),
                Id::binary($at->person->id('person_id')),
                $for,
                null === $section ? null : Id::binary($section),
                '' === trim($why) ? null : trim($why),
                Instant::toSql($at->access->now),
            ],
        );
    }

    /**
     * Has many wait at a door for their own answer.
     *
     * @param array<string, Row> $people by id, as `ChangeContextLoader::people()` reads them
     */
    public function invite(SiteAccess $access, Row $door, array $people, Caller $by): void
    {
        $terms = DoorTermsJson::of($door);
        $this->many(
            $access,
            $people,
            'invite',
            fn(ChangeContext $context): ComputedChange => $this->computer->stand(
                $context,
                $door->id('id'),
                $terms->kind,
                $terms->text('role'),
                $this->window($access, $terms),
                null,
            ),
            $by,
        );
    }

    /**
     * Has many wait no longer for their own answer.
     *
     * @param string             $door   id
     * @param array<string, Row> $people by id, as `ChangeContextLoader::people()` reads them
     */
    public function lapse(SiteAccess $access, string $door, array $people, Caller $by): void
    {
        $this->many(
            $access,
            $people,
            'lapse',
            fn(ChangeContext $context): ComputedChange => $this->computer->goAgain($context, [$door], true),
            $by,
        );
    }

    /**
     * Has somebody go again, or wait no longer.
     *
     * @param list<string> $doors   ids
     * @param bool         $waiting whether only what they still wait with
     * @param string       $verb    as it is written down: "leave", "lapse" or "release"
     */
    public function goAgain(
        DoorContext $at,
        array $doors,
        bool $waiting,
        string $verb,
        ?Caller $by = null,
    ): ComputedChange {
        $line = $this->computer->goAgain($at->context, $doors, $waiting);
        $this->keep($at->access, $at->person, $verb, $line, $by);

        return $line;
    }

    /** Somebody goes again by themselves, with all they may give back. */
    public function leave(SiteAccess $access, Caller $caller): ComputedChange
    {
        $people = $this->contextLoader->people([$caller->id]);
        $context = $this->contextLoader->of($access, $people)->one($caller->id);
        $beyond = $context->person->division !== $access->site->division;
        $own = array_filter(
            $context->enrollment->grants,
            static fn(Grant $grant): bool => $grant->mayBeGivenBack($beyond),
        );
        $doors = array_map(static fn(Grant $grant): string => $grant->doorId, array_values($own));
        $line = $this->computer->goAgain($context, array_values(array_unique($doors)));
        $this->keep($access, $people[$caller->id], 'leave', $line, null);

        return $line;
    }

    /** Nobody waits with it any more. */
    public function close(string $door, string $person, string $state, SiteAccess $access, ?Caller $by = null): void
    {
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE waiter
                SET state = ?, waits = NULL, decided_by = ?, decided_at = ?
                WHERE door_id = ? AND person_id = ? AND waits = 1
                SQL,
            [
                $state,
                null === $by ? null : Id::binary($by->id),
                Instant::toSql($access->now),
                Id::binary($door),
                Id::binary($person),
            ],
        );
    }

    /**
     * Writes down what became of somebody, where it is ready.
     *
     * @param ?Caller $by null for themselves
     */
    public function keep(SiteAccess $access, Row $person, string $verb, ComputedChange $line, ?Caller $by): void
    {
        if (Verdict::Ready === $line->verdict) {
            $this->store->store(null === $by ? $access : $access->doneBy($by), [$this->stored($person, $verb, $line)]);
        }
    }

    /**
     * @param array<string, Row>        $people by id
     * @param callable(ChangeContext): ComputedChange $line
     */
    private function many(SiteAccess $access, array $people, string $verb, callable $line, Caller $by): void
    {
        $context = [] === $people ? null : $this->contextLoader->of($access, $people);
        $ready = [];
        foreach ($people as $id => $person) {
            $each = null === $context ? null : $line($context->one($id));
            if (Verdict::Ready === $each?->verdict) {
                $ready[] = $this->stored($person, $verb, $each);
            }
        }
        if ([] !== $ready) {
            $this->store->store($access->doneBy($by), $ready, listed: false);
        }
    }

    private function stored(Row $person, string $verb, ComputedChange $line): StoredLine
    {
        $note = static fn(Note $note): array => ['code' => $note->code, 'values' => (object) $note->values];

        return new StoredLine($person->id('person_id'), $person->string('sort_name'), $verb, $line, [
            'verdict' => $line->verdict->value,
            'before' => SegmentRow::json($line->before, $this->roles->book()),
            'after' => SegmentRow::json($line->after, $this->roles->book()),
            'reasons' => array_map($note, $line->reasons),
            'cautions' => array_map(
                $note,
                array_values(
                    array_filter($line->cautions, static fn(Note $each): bool => 'work-stays' !== $each->code),
                ),
            ),
        ]);
    }

    private function window(SiteAccess $access, DoorTermsJson $terms): Window
    {
        return new Window($access->now, max($access->now, $terms->stays($access->site->termEnds)));
    }

    /** Where somebody is put: where the door says, where they chose, or where the fewest are. */
    private function section(DoorContext $at, ?string $chosen): ?string
    {
        if ('emptiest' !== $at->terms->text('place')) {
            return 'choice' === $at->terms->text('place') ? $chosen : $at->terms->textOrNull('section');
        }
        $now = Instant::toSql($at->access->now);
        $section = $this->db->fetchOne(
            <<<'SQL'
                SELECT s.id
                FROM section s
                LEFT JOIN (SELECT w.section_id,
                    COUNT(*) AS people FROM access_grant w JOIN enrollment_segment g ON g.site_id = w.site_id
                    AND g.person_id = w.person_id AND g.from_at <= ? AND g.until_at > ?
                    AND g.state IN ('current', 'paused', 'upcoming') WHERE w.site_id = ?
                    AND w.live = 1 GROUP BY w.section_id) n ON n.section_id = s.id
                WHERE s.site_id = ?
                ORDER BY COALESCE(n.people, 0), s.name, s.id
                LIMIT 1
                SQL,
            [$now, $now, Id::binary($at->access->site->id), Id::binary($at->access->site->id)],
        );

        return \is_string($section) ? Id::text($section) : null;
    }
}
