<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Core\People\PeopleQuery;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\State;
use MintDoor\People\Directory;
use MintDoor\People\DirectoryFilter;
use MintDoor\People\Labels;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Dear;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Where;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The people of one's reach as a list, and the ids of all that fit, to do something with them. */
final readonly class DirectoryController
{
    private const MOST_IDS = 20_000;

    public function __construct(
        private Connection $db,
        private Directory $directory,
        private Labels $labels,
        private Gate $gate,
        private Caring $caring,
    ) {}

    #[Route('/directory', name: 'directory', methods: ['GET'])]
    public function list(#[FromQuery] DirectoryFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        [$where, $parameters, $types] = $this->where($filter, $caller);
        $total = $this->db->fetchOne(
            'SELECT COUNT(*) FROM person p JOIN division pd ON pd.id = p.division_id WHERE '.$where,
            $parameters,
            $types,
        );
        $cursor = Cursor::read($filter->cursor, 'directory', 'su');
        $place =
            null === $cursor ? [] : [$cursor->values[0], $cursor->values[0], Id::binary((string) $cursor->values[1])];
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT '
                    .PersonRow::COLUMNS
                    .' FROM '
                    .PersonRow::TABLES
                    .' WHERE '
                    .$where
                    .(null === $cursor ? '' : ' AND (p.sort_name > ? OR (p.sort_name = ? AND p.id > ?))')
                    .' ORDER BY p.sort_name, p.id LIMIT '
                    .($filter->limit + 1),
                [...$parameters, ...$place],
                $types,
            ),
        );
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $last = [] === $rows ? null : $rows[array_key_last($rows)];
        $whole = $this->caring->known($rows, $caller);
        $labels = $this->labels->ofPeople(array_map(strval(...), array_keys($whole)));

        return new Answer([
            'items' => array_map(
                static fn(Row $row): array => [
                    'person' => PersonRow::json(
                        $row,
                        isset($whole[$row->id('person_id')]) ? PersonVisibility::Full : PersonVisibility::Masked,
                    ),
                    'labels' => $labels[$row->id('person_id')] ?? [],
                ],
                $rows,
            ),
            'total' => is_numeric($total) ? (int) $total : 0,
            'next' =>
                $more && null !== $last
                    ? Cursor::write('directory', [$last->string('sort_name'), $last->id('person_id')])
                    : null,
        ]);
    }

    #[Dear]
    #[Route('/directory/ids', name: 'directory_ids', methods: ['GET'])]
    public function ids(#[FromQuery] DirectoryFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        [$where, $parameters, $types] = $this->where($filter, $caller);
        $ids = $this->db->fetchFirstColumn(
            'SELECT p.id FROM person p JOIN division pd ON pd.id = p.division_id WHERE '
                .$where
                .' ORDER BY p.sort_name, p.id LIMIT '
                .(self::MOST_IDS + 1),
            $parameters,
            $types,
        );
        if (\count($ids) > self::MOST_IDS) {
            throw Problem::field(
                '/q',
                'too-many',
                \sprintf('More than %s people fit. Narrow it down first.', number_format(self::MOST_IDS)),
            );
        }

        return new Answer([
            'ids' => array_map(static fn(mixed $id): string => Id::text(\is_string($id) ? $id : ''), $ids),
        ]);
    }

    /**
     * @return array{string, list<mixed>, array<int<0, max>, ArrayParameterType>} condition, parameters, their types by
     *     place
     */
    private function where(DirectoryFilter $filter, Caller $caller): array
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('Only staff look people up.');
        }
        $where = new Where('p.gone IS NULL');
        $reach = $this->directory->reachOf($caller);
        if ('' !== $filter->site) {
            // Whoever lets people into a site sees all of them, whatever division they are of.
            $access = $this->gate
                ->at($filter->site, $caller)
                ->require(Permission::LetIn, 'You may not change who is in this site. Its leads and co-tutors can.');
            $now = Instant::toSql($access->now);
            $where->add(
                'p.id IN (SELECT g.person_id FROM enrollment_segment g WHERE g.site_id = ? AND g.from_at <= ? '
                    .'AND g.until_at > ? AND g.state IN (?))',
                Id::binary($filter->site),
                $now,
                $now,
                State::valuesHere(),
            );
        } elseif (!$reach->everything) {
            $where->add('pd.code IN (?)', $reach->divisions ?: ['']);
        }
        '' === $filter->kind || $where->add('p.kind = ?', $filter->kind);
        '' === $filter->division || $where->add('pd.code = ?', $filter->division);
        '' === $filter->level || $where->add('p.level = ?', (int) $filter->level);
        '' === $filter->label
            || $where->add(
                'p.id IN (SELECT bears.person_id FROM label wanted '
                    .'JOIN person_label bears ON bears.label_id = wanted.id WHERE wanted.name = ?)',
                $filter->label,
            );
        $query = PeopleQuery::of($filter->q);
        foreach ($query->tokens as $place => $token) {
            // Numbers and addresses are among the words: beyond one's reach nobody is found by the beginning of one.
            '' === $filter->site
                || $reach->everything
                || 1 !== preg_match('/\d/', $token)
                || $where->add('pd.code IN (?)', $reach->divisions ?: ['']);
            0 === $place
                ? $where->add('p.id IN (SELECT w.person_id FROM person_term w WHERE w.term LIKE ?)', $token.'%')
                : $where->add('p.terms LIKE ?', '% '.$token.'%');
        }

        return [$where->sql(), $where->parameters, $where->types];
    }
}
