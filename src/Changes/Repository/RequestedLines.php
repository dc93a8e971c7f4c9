<?php

declare(strict_types=1);

namespace MintDoor\Changes\Repository;

use MintDoor\Changes\Entity\RequestedLine;
use MintDoor\Changes\LineOutcome;
use MintDoor\Changes\RequestedItem;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/**
 * Lines of change lists as they were asked for. By hand: a change list may have ten thousand, which are written and
 * read a thousand at a time (`bin/bench`: 10,000 lines applied).
 *
 * @extends BaseRepository<RequestedLine>
 */
final class RequestedLines extends BaseRepository
{
    protected const ENTITY = RequestedLine::class;

    /** @param list<RequestedItem> $items in order, from position 1 on */
    public function write(string $changeList, array $items): void
    {
        $rows = $this->bulk();
        foreach ($items as $index => $item) {
            $rows->add('change_request', [
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $index + 1,
                'site_id' => BulkWriter::id($item->site),
                'person_id' => BulkWriter::id($item->person),
                'request' => json_encode((object) $item->kept(), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            ]);
        }
        $rows->flush();
    }

    /** @return list<Row> the next ones that nothing became of yet, with `position` and `site_id` */
    public function next(string $changeList, int $most): array
    {
        return $this->rows(
            "SELECT position, site_id
             FROM change_request
             WHERE change_list_id = ? AND outcome IS NULL
             ORDER BY position
             LIMIT $most",
            [Id::binary($changeList)],
        );
    }

    /** @return array<int, RequestedItem> those between two positions that nothing became of yet, by position */
    public function pending(string $changeList, int $first, int $last): array
    {
        $items = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT position, site_id, person_id, request
                    FROM change_request
                    WHERE change_list_id = ? AND position BETWEEN ? AND ? AND outcome IS NULL
                    ORDER BY position
                    SQL,
                [Id::binary($changeList), $first, $last],
            ) as $row
        ) {
            $items[$row->int('position')] = RequestedItem::read(
                $row->id('site_id'),
                $row->id('person_id'),
                $row->json('request'),
            );
        }

        return $items;
    }

    public function anyLeft(string $changeList): bool
    {
        $sql = 'SELECT 1 FROM change_request WHERE change_list_id = ? AND outcome IS NULL LIMIT 1';

        return null !== $this->row($sql, [Id::binary($changeList)]);
    }

    /** Whether a change list was reviewed: one that was applied at once has applied lines only. */
    public function any(string $changeList): bool
    {
        $sql = 'SELECT 1 FROM change_request WHERE change_list_id = ? LIMIT 1';

        return null !== $this->row($sql, [Id::binary($changeList)]);
    }

    /**
     * Writes down what became of lines.
     *
     * @param array<int, RequestedItem> $items    by position
     * @param array<int, LineOutcome>   $outcomes by position; a line without one was changed since
     */
    public function settle(string $changeList, array $items, array $outcomes): void
    {
        $values = [];
        $quote = $this->connection()->quote(...);
        foreach ($items as $position => $item) {
            $outcome = $outcomes[$position] ?? LineOutcome::refused('changed-since');
            $values[] = \sprintf(
                "(%s, %d, %s, %s, '{}', %s, %s, %s)",
                (string) BulkWriter::id($changeList)?->sql,
                $position,
                (string) BulkWriter::id($item->site)?->sql,
                (string) BulkWriter::id($item->person)?->sql,
                $quote($outcome->verdict->value),
                $quote(json_encode($outcome->reasons, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)),
                BulkWriter::id($outcome->line)->sql ?? 'NULL',
            );
        }
        if ([] !== $values) {
            $this->execute(
                'INSERT INTO change_request (change_list_id, position, site_id, person_id, request, outcome, reasons, '
                    .'line_id) VALUES '.implode(', ', $values).' ON DUPLICATE KEY UPDATE outcome = VALUES(outcome), '
                        .'reasons = VALUES(reasons), line_id = VALUES(line_id)',
            );
        }
    }

    /** Lines that nothing became of yet will not be applied. */
    public function stop(string $changeList): void
    {
        $this->execute(
            <<<'SQL'
                UPDATE change_request
                SET outcome = 'refused', reasons = '[{"code":"stopped","values":{}}]'
                WHERE change_list_id = ? AND outcome IS NULL
                SQL,
            [Id::binary($changeList)],
        );
    }

    /** @return list<string> ids of every site that lines of a change list are in, applied or asked for */
    public function sites(string $changeList): array
    {
        $rows = $this->rows(
            <<<'SQL'
                SELECT site_id FROM change_line WHERE change_list_id = :list
                UNION
                SELECT site_id FROM change_request WHERE change_list_id = :list
                SQL,
            ['list' => Id::binary($changeList)],
        );

        return array_map(static fn(Row $row): string => $row->id('site_id'), $rows);
    }

    /**
     * Lines from a position on as they are shown: those asked for, or, of a change list that was applied at once, those
     * applied.
     *
     * @return list<Row> with `position`, `site_id`, `title`, `time_zone`, `person_id` and their names, `request`,
     *     `outcome`, `reasons`, `line_id`, `verb`, `state_before`, `state_after`, `message_id`, `message_state`
     */
    public function page(string $changeList, bool $asked, int $after, int $most): array
    {
        $lines = $asked
            ? 'w.request, w.outcome, w.reasons, n.id AS line_id, n.verb, n.state_before, n.state_after,
                m.id AS message_id, m.state AS message_state
             FROM change_request w
             LEFT JOIN change_line n ON n.id = w.line_id
             LEFT JOIN message m ON m.line_id = w.line_id'
            : 'NULL AS request, w.verdict AS outcome, w.notes AS reasons, w.id AS line_id, w.verb, w.state_before,
                w.state_after, m.id AS message_id, m.state AS message_state
             FROM change_line w
             LEFT JOIN message m ON m.line_id = w.id';

        return $this->rows(
            "SELECT w.position, w.site_id, s.title, s.time_zone, w.person_id, p.given_name, p.family_name,
                p.preferred_name, $lines
             JOIN site s ON s.id = w.site_id
             JOIN person p ON p.id = w.person_id
             WHERE w.change_list_id = ? AND w.position > ?
             ORDER BY w.position
             LIMIT $most",
            [Id::binary($changeList), $after],
        );
    }

    /** What was typed or noted about somebody is kept no more. */
    public function forgetTextsOf(string $person): void
    {
        $this->execute(
            "UPDATE change_request SET request = JSON_REMOVE(request, '$.text', '$.note') WHERE person_id = ?",
            [Id::binary($person)],
        );
    }
}
