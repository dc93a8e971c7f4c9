<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Roster\Gate;
use MintDoor\Shared\BulkWriter;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Transaction;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/**
 * Applies stored change lists. The next lines and what became of them are written in one transaction with the job for
 * those after, so that a worker may be killed at any moment: no line is applied twice, and none is forgotten.
 */
final readonly class ChangeListRunner
{
    /** Lines that go all or nothing. */
    public const CHUNK = 1_000;

    /** A change list of so many lines is applied while one waits. */
    public const AT_ONCE = 200;

    public function __construct(
        private Connection $db,
        private Gate $gate,
        private ChangeHandler $handler,
        private CallerProvider $callers,
        private Transaction $transaction,
        private MessageBusInterface $bus,
        private PlatformClock $clock,
        private Locks $locks,
    ) {}

    #[AsMessageHandler]
    public function __invoke(ApplyChangeList $job): void
    {
        $this->step($job->changeList, fn() => $this->bus->dispatch($job));
    }

    /**
     * Writes down what is to be applied. Runs inside a transaction.
     *
     * @param list<array{site: string, person: string, request: array<string, mixed>}> $lines in order
     */
    public function write(string $changeList, array $lines): void
    {
        $rows = new BulkWriter($this->db);
        foreach ($lines as $index => $line) {
            $rows->add('change_request', [
                'change_list_id' => BulkWriter::id($changeList),
                'position' => $index + 1,
                'site_id' => BulkWriter::id($line['site']),
                'person_id' => BulkWriter::id($line['person']),
                'request' => json_encode(
                    array_filter(
                        $line['request'],
                        static fn(mixed $value): bool => null !== $value && '' !== $value && false !== $value,
                    ),
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
                ),
            ]);
        }
        $rows->flush();
    }

    /**
     * Applies a whole change list, or hands it to a worker when it is long. Runs inside a transaction, under the locks
     * of its sites.
     */
    public function begin(string $changeList, int $lines): void
    {
        if ($lines <= self::AT_ONCE) {
            $this->chunk($changeList, 1, self::AT_ONCE, static fn() => null);
        } else {
            $this->bus->dispatch(new ApplyChangeList($changeList));
        }
    }

    /**
     * Applies the next lines of a change list, all of them or none.
     *
     * @param callable(): mixed $then called in the same transaction when others are left
     *
     * @return bool whether others are left
     */
    public function step(string $changeList, callable $then): bool
    {
        $next = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT position, site_id FROM change_request WHERE change_list_id = ? AND outcome IS NULL '
                    .'ORDER BY position '
                    .'LIMIT '
                    .self::CHUNK,
                [Id::binary($changeList)],
            ),
        );
        if ([] === $next) {
            return false;
        }
        $sites = array_values(array_unique(array_map(static fn(Row $row): string => $row->id('site_id'), $next)));

        return $this->transaction->job(
            $sites,
            fn(): bool => $this->chunk(
                $changeList,
                $next[0]->int('position'),
                $next[array_key_last($next)]->int('position'),
                $then,
            ),
        );
    }

    /** @param callable(): mixed $then */
    private function chunk(string $changeList, int $first, int $last, callable $then): bool
    {
        $record = new Row(
            $this->db->fetchAssociative('SELECT state, changed_by, tell FROM change_list WHERE id = ? FOR UPDATE', [
                Id::binary($changeList),
            ])
            ?: [],
        );
        if ('applying' !== $record->string('state')) {
            return false;
        }
        // What another worker has done in the meantime is not pending any more.
        $rows = Row::all(
            $this->db->fetchAllAssociative(
                <<<'SQL'
                    SELECT position, site_id, person_id, request
                    FROM change_request
                    WHERE change_list_id = ? AND position BETWEEN ? AND ? AND outcome IS NULL
                    ORDER BY position
                    SQL,
                [Id::binary($changeList), $first, $last],
            ),
        );
        // All of them at once and in order, since they may be in several sites.
        $this->locks->people(array_map(static fn(Row $row): string => $row->id('person_id'), $rows));
        $bySite = [];
        foreach ($rows as $row) {
            $request = $row->json('request');
            $bySite[$row->id('site_id')][$row->int('position')] =
                isset($request['undo']) && \is_string($request['undo'])
                    ? $request['undo']
                    : self::request($row->id('person_id'), $request);
        }
        try {
            $caller = $this->callers->byId($record->id('changed_by'));
        } catch (UserNotFoundException) {
            $caller = null;
        }
        $outcomes = [];
        foreach ($bySite as $site => $lines) {
            $outcomes
                += null === $caller
                    ? self::refused($lines, 'no-account-to-apply')
                    : $this->inSite($changeList, $site, $lines, $caller, $record->stringOrNull('tell'));
        }
        $this->record($changeList, $rows, $outcomes);
        $left =
            false
            !== $this->db->fetchOne(<<<'SQL'
                SELECT 1
                FROM change_request
                WHERE change_list_id = ? AND outcome IS NULL
                LIMIT 1
                SQL, [
                Id::binary($changeList),
            ]);
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE change_list
                SET done = done + ?, applied = applied + ?, changed_at = ?, state = ?, version = version + 1
                WHERE id = ?
                SQL,
            [
                \count($rows),
                \count(
                    array_filter(
                        $outcomes,
                        static fn(array $outcome): bool => Verdict::Ready->value === $outcome['verdict'],
                    ),
                ),
                Instant::toSql($this->clock->instant()),
                $left ? 'applying' : 'applied',
                Id::binary($changeList),
            ],
        );
        if ($left) {
            $then();
        }

        return $left;
    }

    /**
     * @param array<int, LineRequest|string> $lines by position
     *
     * @return array<int, array<string, mixed>> by position
     */
    private function inSite(string $changeList, string $site, array $lines, Caller $caller, ?string $tell): array
    {
        try {
            return $this->handler->applyStored($this->gate->at($site, $caller), $changeList, $lines, $tell);
        } catch (Problem $problem) {
            // What is wrong with one of them must not keep the others.
            if (1 === \count($lines)) {
                return self::refused($lines, 'not-possible', $problem->detail);
            }
            $outcomes = [];
            foreach ($lines as $position => $line) {
                $outcomes += $this->inSite($changeList, $site, [$position => $line], $caller, $tell);
            }

            return $outcomes;
        }
    }

    /**
     * @param array<int, mixed> $lines by position
     *
     * @return array<int, array<string, mixed>> by position
     */
    private static function refused(array $lines, string $code, string $detail = ''): array
    {
        return array_map(
            static fn(): array => [
                'verdict' => Verdict::Refused->value,
                'reasons' => [['code' => $code, 'values' => (object) ('' === $detail ? [] : ['detail' => $detail])]],
                'line' => null,
            ],
            $lines,
        );
    }

    /**
     * @param list<Row>                        $rows
     * @param array<int, array<string, mixed>> $outcomes by position
     */
    private function record(string $changeList, array $rows, array $outcomes): void
    {
        $values = [];
        foreach ($rows as $row) {
            $outcome = $outcomes[$row->int('position')] ?? [
                'verdict' => Verdict::Refused->value,
                'reasons' => [['code' => 'changed-since', 'values' => (object) []]],
                'line' => null,
            ];
            $values[] = \sprintf(
                '(%s, %d, %s, %s, \'{}\', %s, %s, %s)',
                (string) BulkWriter::id($changeList)?->sql,
                $row->int('position'),
                (string) BulkWriter::id($row->id('site_id'))?->sql,
                (string) BulkWriter::id($row->id('person_id'))?->sql,
                $this->db->quote(\is_string($outcome['verdict']) ? $outcome['verdict'] : ''),
                $this->db->quote(json_encode($outcome['reasons'], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE)),
                \is_string($outcome['line']) ? (string) BulkWriter::id($outcome['line'])?->sql : 'NULL',
            );
        }
        if ([] !== $values) {
            $this->db->executeStatement(
                'INSERT INTO change_request (change_list_id, position, site_id, person_id, request, outcome, reasons, '
                    .'line_id) '
                    .'VALUES '
                    .implode(', ', $values)
                    .' ON DUPLICATE KEY UPDATE outcome = VALUES(outcome), reasons = VALUES(reasons), line_id = '
                        .'VALUES(line_id)',
            );
        }
    }

    /** @param array<array-key, mixed> $request as it was written */
    private static function request(string $person, array $request): LineRequest
    {
        $text = static fn(string $field): ?string => isset($request[$field]) && \is_string($request[$field])
            ? $request[$field]
            : null;
        $number = static fn(string $field): ?int => isset($request[$field]) && \is_int($request[$field])
            ? $request[$field]
            : null;

        return new LineRequest(
            $person,
            $text('verb') ?? 'let-in',
            $text('role'),
            $text('fromDay'),
            $text('untilDay'),
            $number('days'),
            $text('note'),
            $number('version'),
            $text('section'),
            true === ($request['sure'] ?? false),
            $number('siteVersion'),
            $text('named') ?? $text('text'),
            true === ($request['leadEnds'] ?? false),
        );
    }
}
