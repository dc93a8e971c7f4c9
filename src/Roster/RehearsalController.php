<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use Doctrine\DBAL\Connection;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Rehearsal;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Hall\Answer;
use MintDoor\Hall\Caller;
use MintDoor\Hall\Id;
use MintDoor\Hall\Instant;
use MintDoor\Hall\Problem;
use MintDoor\Hall\Row;
use MintDoor\Roles\Roles;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryString;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The first day rehearsed: who could enter a site at an instant, and who could not, grouped by what would have to be mended. */
final readonly class RehearsalController
{
    public function __construct(
        private Connection $db,
        private Gate $gate,
        private Roles $roles,
        private ReasonJson $reasons,
    ) {
    }

    #[Route('/sites/{site}/rehearsal', name: 'rehearsal', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function rehearse(string $site, #[CurrentUser] Caller $caller, #[MapQueryString(validationFailedStatusCode: 422)] Moment $moment): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, 'Only those who let people into this site rehearse its first day.');
        try {
            $at = Time::atTime($moment->day, $moment->time, $access->zone());
        } catch (NotADay) {
            throw Problem::field('/day', 'day', 'Choose a day between the years 1900 and 2999.');
        }
        [$people, $names] = $this->people($site, $at);
        $rehearsal = Rehearsal::at($at, $access->site, $this->roles->book(), $people);
        $groups = [];
        foreach ($rehearsal->groups as [$reason, $ids]) {
            $found = array_map(static fn (string $id): array => ['id' => $id, 'name' => $names[$id]], $ids);
            usort($found, static fn (array $a, array $b): int => [mb_strtolower($a['name']), $a['id']] <=> [mb_strtolower($b['name']), $b['id']]);
            $groups[] = ['reason' => $this->reasons->forStaff($reason, $access->standing), 'people' => $found];
        }

        return new Answer(['at' => Instant::toJson($at), 'enter' => $rehearsal->enter, 'look' => $rehearsal->look, 'groups' => $groups]);
    }

    /** @return array{array<string, array{Person, Timeline}>, array<string, string>} by id, and their names */
    private function people(string $site, int $at): array
    {
        $divisions = $people = $names = [];
        foreach (Row::all($this->db->fetchAllAssociative('SELECT id, code FROM division')) as $row) {
            $divisions[$row->id('id')] = $row->string('code');
        }
        foreach ($this->db->iterateAssociative(
            'SELECT g.person_id, g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat, g.sort_name, p.kind, p.level, p.division_id, a.closed_from
             FROM enrollment_segment g STRAIGHT_JOIN person p ON p.id = g.person_id LEFT JOIN account a ON a.person_id = g.person_id
             WHERE g.site_id = ? AND g.from_at <= ? AND g.until_at > ?',
            [Id::binary($site), Instant::toSql($at), Instant::toSql($at)],
        ) as $columns) {
            $row = new Row($columns);
            $id = $row->id('person_id');
            $names[$id] = $row->string('sort_name');
            $people[$id] = [
                new Person($id, PersonKind::from($row->string('kind')), $divisions[$row->id('division_id')] ?? '', $row->intOrNull('level'), $row->instantOrNull('closed_from') ?? Time::FOREVER),
                new Timeline([SegmentRow::segment($row)]),
            ];
        }

        return [$people, $names];
    }
}
