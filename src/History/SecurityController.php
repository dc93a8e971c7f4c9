<?php

declare(strict_types=1);

namespace MintDoor\History;

use Doctrine\DBAL\Connection;
use MintDoor\People\PersonRow;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Dear;
use MintDoor\Shared\FromQuery;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\SecurityLog;
use MintDoor\Shared\Where;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The security log, for administrators: of their divisions, or all of it. */
final readonly class SecurityController
{
    private const PAGE = 60;

    private const MOST_EXPORTED = 50_000;

    private const SELECT = 'SELECT e.sequence, e.at, e.code, e.person_id, e.by_id, e.site_id, e.address, e.data,
        s.title,
            p.given_name AS p_given_name, p.family_name AS p_family_name, p.preferred_name AS p_preferred_name,
            b.given_name AS b_given_name, b.family_name AS b_family_name, b.preferred_name AS b_preferred_name
        FROM security_entry e LEFT JOIN person p ON p.id = e.person_id LEFT JOIN person b ON b.id = e.by_id
        LEFT JOIN site s ON s.id = e.site_id WHERE ';

    public function __construct(private Connection $db, private SecurityLog $log) {}

    #[Route('/security-log', name: 'security_log', methods: ['GET'])]
    public function list(#[FromQuery] SecurityFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        $where = $this->where($filter, $caller);
        $cursor = Cursor::read($filter->cursor, 'security-log', 'i');
        null === $cursor || $where->add('e.sequence < ?', $cursor->values[0]);
        $rows = $this->rows($where, self::PAGE + 1);
        $more = \count($rows) > self::PAGE;
        $rows = \array_slice($rows, 0, self::PAGE);

        return new Answer([
            'items' => array_map(self::json(...), $rows),
            'next' => $more ? Cursor::write('security-log', [$rows[self::PAGE - 1]->int('sequence')]) : null,
        ]);
    }

    /** As JSON lines, the last first; that it was taken is a line of it. */
    #[Dear]
    #[Route('/security-log/export', name: 'export_security_log', methods: ['POST'])]
    public function export(#[FromQuery] SecurityFilter $filter, #[CurrentUser] Caller $caller): Response
    {
        $lines = array_map(
            static fn(Row $row): string => json_encode(
                self::json($row),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
            )."\n",
            $this->rows($this->where($filter, $caller), self::MOST_EXPORTED),
        );
        $this->log->note('export', by: $caller->id, data: ['what' => 'security-log', 'lines' => \count($lines)]);

        return new Response(implode('', $lines), 200, [
            'Content-Type' => 'application/x-ndjson',
            'Content-Disposition' => 'attachment; filename="security-log.jsonl"',
            'Cache-Control' => 'no-store',
        ]);
    }

    private function where(SecurityFilter $filter, Caller $caller): Where
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('The security log is for administrators.');
        }
        $where = new Where();
        if (!$caller->platformAdministrator) {
            $where->add('e.division_id IN (SELECT id FROM division WHERE code IN (?))', $caller->divisions ?: ['']);
        }
        '' === $filter->code || $where->add('e.code = ?', $filter->code);
        if ('' !== $filter->person) {
            $where->add('(e.person_id = ? OR e.by_id = ?)', Id::binary($filter->person), Id::binary($filter->person));
        }
        foreach (array_filter(preg_split('/\s+/u', mb_scrub($filter->q)) ?: []) as $word) {
            $like = '%'.addcslashes($word, '%_\\').'%';
            $where->add(
                "(CONCAT_WS(' ', p.preferred_name, p.given_name, p.family_name) LIKE ?
                  OR CONCAT_WS(' ', b.preferred_name, b.given_name, b.family_name) LIKE ? OR e.address LIKE ?)",
                $like,
                $like,
                $like,
            );
        }
        '' === $filter->from || $where->add('e.at >= ?', $filter->from.' 00:00:00');
        '' === $filter->until || $where->add('e.at < ? + INTERVAL 1 DAY', $filter->until.' 00:00:00');

        return $where;
    }

    /** @return list<Row> */
    private function rows(Where $where, int $most): array
    {
        return Row::all(
            $this->db->fetchAllAssociative(
                self::SELECT.$where->sql().' ORDER BY e.sequence DESC LIMIT '.$most,
                $where->parameters,
                $where->types,
            ),
        );
    }

    /** @return array<string, mixed> schema `SecurityEntry` */
    private static function json(Row $row): array
    {
        $who = static fn(string $prefix, string $column): ?array => null === $row->idOrNull($column)
            ? null
            : [
                'id' => $row->id($column),
                'name' => PersonRow::name($row, $prefix),
            ];

        return [
            'sequence' => $row->int('sequence'),
            'at' => Instant::toJson($row->instant('at')),
            'code' => $row->string('code'),
            'person' => $who('p_', 'person_id'),
            'by' => $who('b_', 'by_id'),
            'site' =>
                null === $row->stringOrNull('title')
                    ? null
                    : [
                        'id' => $row->id('site_id'),
                        'title' => $row->string('title'),
                    ],
            'address' => $row->stringOrNull('address'),
            'data' => (object) $row->json('data'),
        ];
    }
}
