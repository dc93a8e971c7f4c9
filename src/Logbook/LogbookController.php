<?php

declare(strict_types=1);

namespace MintDoor\Logbook;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Core\Roles\Permission;
use MintDoor\Hall\Answer;
use MintDoor\Hall\Caller;
use MintDoor\Hall\Cursor;
use MintDoor\Hall\Id;
use MintDoor\Hall\Instant;
use MintDoor\Hall\Problem;
use MintDoor\Hall\ProblemType;
use MintDoor\Hall\Row;
use MintDoor\Hall\Transaction;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Sheets\Histories;
use MintDoor\Sheets\SheetHandler;
use MintDoor\Sites\SiteHandler;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryString;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What happened in a site, newest first; each change can be taken back from its entry. */
final readonly class LogbookController
{
    private const PAGE = 50;

    public function __construct(
        private Connection $db,
        private Gate $gate,
        private Transaction $transaction,
        private SheetHandler $sheets,
        private Histories $histories,
        private SiteHandler $sites,
    ) {
    }

    #[Route('/sites/{site}/logbook', name: 'logbook', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function entries(string $site, #[CurrentUser] Caller $caller, #[MapQueryString(validationFailedStatusCode: 422)] LogbookFilter $filter = new LogbookFilter()): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::SeeLogbook, 'Only those who let people into this site read its logbook.');
        [$where, $parameters] = $this->where($filter, $access);
        $before = Cursor::read($filter->cursor, 'logbook', 1)?->values[0];
        $rows = Row::all($this->db->fetchAllAssociative(
            'SELECT l.sequence, l.at, l.code, l.data, l.line_id, l.undone_by, l.actor_id, l.person_id,
                    a.given_name AS a_given, a.family_name AS a_family, a.preferred_name AS a_preferred,
                    p.given_name AS p_given, p.family_name AS p_family, p.preferred_name AS p_preferred
             FROM log_entry l JOIN person a ON a.id = l.actor_id LEFT JOIN person p ON p.id = l.person_id
             WHERE l.site_id = ? AND l.sequence < ?'.$where.' ORDER BY l.sequence DESC LIMIT '.(self::PAGE + 1),
            [Id::binary($site), $before ?? \PHP_INT_MAX, ...$parameters],
        ));
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);

        return new Answer([
            'items' => $this->json($site, $rows),
            'next' => $more ? Cursor::write('logbook', [$rows[self::PAGE - 1]->int('sequence')]) : null,
        ]);
    }

    /** @return array{string, list<string>} */
    private function where(LogbookFilter $filter, SiteAccess $access): array
    {
        $where = '';
        $parameters = [];
        foreach (array_filter(preg_split('/\s+/u', mb_scrub($filter->q ?? '')) ?: []) as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $where .= " AND (CONCAT_WS(' ', a.preferred_name, a.given_name, a.family_name) LIKE ? OR CONCAT_WS(' ', p.preferred_name, p.given_name, p.family_name, p.former_name) LIKE ?)";
            array_push($parameters, $like, $like);
        }
        if (null !== $filter->code) {
            $where .= ' AND l.code = ?';
            $parameters[] = $filter->code;
        }
        if (null !== $filter->from) {
            $where .= ' AND l.at >= ?';
            $parameters[] = Instant::toSql($access->startOf($filter->from, '/from'));
        }
        if (null !== $filter->until) {
            $where .= ' AND l.at < ?';
            $parameters[] = Instant::toSql($access->endOf($filter->until, '/until'));
        }

        return [$where, $parameters];
    }

    #[Route('/sites/{site}/logbook/{sequence}/undo', name: 'undo', requirements: ['site' => Id::PATTERN, 'sequence' => '[1-9]\d{0,8}'], methods: ['POST'])]
    public function undo(string $site, int $sequence, Request $request, #[CurrentUser] Caller $caller): Response
    {
        $this->gate->at($site, $caller)->require(Permission::SeeLogbook, 'Only those who let people into this site may undo its changes.');

        return $this->transaction->run($request, $caller, [$site], function (EntityManagerInterface $entities) use ($site, $sequence, $caller): Answer {
            $found = $this->db->fetchAssociative('SELECT code, data, line_id, undone_by FROM log_entry WHERE site_id = ? AND sequence = ? FOR UPDATE', [Id::binary($site), $sequence]);
            $row = new Row(false === $found ? throw Problem::notFound('This entry') : $found);

            return new Answer($this->takeBack($entities, $this->gate->at($site, $caller), $row, $sequence));
        });
    }

    /** @return array<string, mixed> schema `Undone` */
    private function takeBack(EntityManagerInterface $entities, SiteAccess $access, Row $row, int $sequence): array
    {
        $line = $row->idOrNull('line_id');
        if (null !== $line) {
            $access->require(Permission::LetIn, 'You may not change who is in this site.');
            $undone = $this->sheets->undo($access, [$line], true)['lines'][0];

            return ['entry' => $undone['entry'], 'line' => $undone];
        }
        if (null !== $row->intOrNull('undone_by')) {
            throw new Problem(ProblemType::UndoneAlready, 'This was already undone.');
        }
        if (!isset($row->json('data')['before'])) {
            throw Problem::notAllowed('This entry is no change that could be undone.');
        }
        $access->require(Permission::RunSite, 'Only a lead of this site or an administrator may do this.');
        /** @var array<string, mixed> $data */
        $data = $row->json('data');

        return ['entry' => $this->sites->undo($entities, $access, $row->string('code'), $data, $sequence), 'line' => null];
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<array<string, mixed>> schema `LogEntry`
     */
    private function json(string $site, array $rows): array
    {
        $people = array_values(array_unique(array_filter(array_map(static fn (Row $row): ?string => $row->idOrNull('person_id'), $rows))));
        [$histories, $sequences] = $this->histories->of($site, $people);
        $entries = [];
        foreach ($rows as $row) {
            $line = $row->idOrNull('line_id');
            if (null === $line) {
                $undoneBy = $row->intOrNull('undone_by');
                $entries[] = $this->entry($row, null === $undoneBy && isset($row->json('data')['before']), $undoneBy);
            } else {
                $history = $histories[$row->id('person_id')] ?? null;
                $undoneBy = $history?->undoneBy($line);
                $entries[] = $this->entry($row, true === $history?->mayUndo($line), null === $undoneBy ? null : ($sequences[$undoneBy] ?? null));
            }
        }

        return $entries;
    }

    /** @return array<string, mixed> schema `LogEntry` */
    private function entry(Row $row, bool $undoable, ?int $undoneBy): array
    {
        $name = static fn (string $of): string => trim(($row->stringOrNull($of.'_preferred') ?? $row->string($of.'_given')).' '.$row->string($of.'_family'));

        return [
            'sequence' => $row->int('sequence'),
            'at' => Instant::toJson($row->instant('at')),
            'actor' => ['id' => $row->id('actor_id'), 'name' => $name('a')],
            'person' => null === $row->stringOrNull('person_id') ? null : ['id' => $row->id('person_id'), 'name' => $name('p')],
            'code' => $row->string('code'),
            'data' => (object) $row->json('data'),
            'undoable' => $undoable,
            'undoneBy' => $undoneBy,
        ];
    }
}
