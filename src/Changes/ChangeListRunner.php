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
 * Applies stored sheets. The next lines and what became of them are written in one transaction with the job for those
 * after, so that a worker may be killed at any moment: no line is applied twice, and none is forgotten.
 */
final readonly class ChangeListRunner
{
    /** Lines that go all or nothing. */
    public const CHUNK = 1_000;

    /** A sheet of so many lines is applied while one waits. */
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
        $this->step($job->sheet, fn() => $this->bus->dispatch($job));
    }

    /**
     * Writes down what is to be applied. Runs inside a transaction.
     *
     * @param list<array{site: string, person: string, wish: array<string, mixed>}> $lines in order
     */
    public function write(string $sheet, array $lines): void
    {
        $rows = new BulkWriter($this->db);
        foreach ($lines as $index => $line) {
            $rows->add('sheet_wish', [
                'sheet_id' => BulkWriter::id($sheet),
                'position' => $index + 1,
                'site_id' => BulkWriter::id($line['site']),
                'person_id' => BulkWriter::id($line['person']),
                'wish' => json_encode(
                    array_filter(
                        $line['wish'],
                        static fn(mixed $value): bool => null !== $value && '' !== $value && false !== $value,
                    ),
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
                ),
            ]);
        }
        $rows->flush();
    }

    /**
     * Applies a whole sheet, or hands it to a worker when it is long. Runs inside a transaction, under the locks of its
     * sites.
     */
    public function begin(string $sheet, int $lines): void
    {
        if ($lines <= self::AT_ONCE) {
            $this->chunk($sheet, 1, self::AT_ONCE, static fn() => null);
        } else {
            $this->bus->dispatch(new ApplyChangeList($sheet));
        }
    }

    /**
     * Applies the next lines of a sheet, all of them or none.
     *
     * @param callable(): mixed $then called in the same transaction when others are left
     *
     * @return bool whether others are left
     */
    public function step(string $sheet, callable $then): bool
    {
        $next = Row::all(
            $this->db->fetchAllAssociative(
                'SELECT position, site_id FROM sheet_wish WHERE sheet_id = ? AND outcome IS NULL ORDER BY position '
                    .'LIMIT '
                    .self::CHUNK,
                [Id::binary($sheet)],
            ),
        );
        if ([] === $next) {
            return false;
        }
        $sites = array_values(array_unique(array_map(static fn(Row $row): string => $row->id('site_id'), $next)));

        return $this->transaction->job(
            $sites,
            fn(): bool => $this->chunk(
                $sheet,
                $next[0]->int('position'),
                $next[array_key_last($next)]->int('position'),
                $then,
            ),
        );
    }

    /** @param callable(): mixed $then */
    private function chunk(string $sheet, int $first, int $last, callable $then): bool
    {
        $record = new Row(
            $this->db->fetchAssociative('SELECT state, changed_by, tell FROM change_sheet WHERE id = ? FOR UPDATE', [
                Id::binary($sheet),
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
                    SELECT position, site_id, person_id, wish
                    FROM sheet_wish
                    WHERE sheet_id = ? AND position BETWEEN ? AND ? AND outcome IS NULL
                    ORDER BY position
                    SQL,
                [Id::binary($sheet), $first, $last],
            ),
        );
        // All of them at once and in order, since they may be in several sites.
        $this->locks->people(array_map(static fn(Row $row): string => $row->id('person_id'), $rows));
        $bySite = [];
        foreach ($rows as $row) {
            $wish = $row->json('wish');
            $bySite[$row->id('site_id')][$row->int('position')] =
                isset($wish['undo']) && \is_string($wish['undo'])
                    ? $wish['undo']
                    : self::wish($row->id('person_id'), $wish);
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
                    : $this->inSite($sheet, $site, $lines, $caller, $record->stringOrNull('tell'));
        }
        $this->record($sheet, $rows, $outcomes);
        $left =
            false
            !== $this->db->fetchOne('SELECT 1 FROM sheet_wish WHERE sheet_id = ? AND outcome IS NULL LIMIT 1', [
                Id::binary($sheet),
            ]);
        $this->db->executeStatement(
            <<<'SQL'
                UPDATE change_sheet
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
                Id::binary($sheet),
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
    private function inSite(string $sheet, string $site, array $lines, Caller $caller, ?string $tell): array
    {
        try {
            return $this->handler->applyStored($this->gate->at($site, $caller), $sheet, $lines, $tell);
        } catch (Problem $problem) {
            // What is wrong with one of them must not keep the others.
            if (1 === \count($lines)) {
                return self::refused($lines, 'not-possible', $problem->detail);
            }
            $outcomes = [];
            foreach ($lines as $position => $line) {
                $outcomes += $this->inSite($sheet, $site, [$position => $line], $caller, $tell);
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
    private function record(string $sheet, array $rows, array $outcomes): void
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
                (string) BulkWriter::id($sheet)?->sql,
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
                'INSERT INTO sheet_wish (sheet_id, position, site_id, person_id, wish, outcome, reasons, line_id) '
                    .'VALUES '
                    .implode(', ', $values)
                    .' ON DUPLICATE KEY UPDATE outcome = VALUES(outcome), reasons = VALUES(reasons), line_id = '
                        .'VALUES(line_id)',
            );
        }
    }

    /** @param array<array-key, mixed> $wish as it was written */
    private static function wish(string $person, array $wish): LineRequest
    {
        $text = static fn(string $field): ?string => isset($wish[$field]) && \is_string($wish[$field])
            ? $wish[$field]
            : null;
        $number = static fn(string $field): ?int => isset($wish[$field]) && \is_int($wish[$field])
            ? $wish[$field]
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
            true === ($wish['sure'] ?? false),
            $number('siteVersion'),
            $text('named') ?? $text('text'),
            true === ($wish['leadEnds'] ?? false),
        );
    }
}
