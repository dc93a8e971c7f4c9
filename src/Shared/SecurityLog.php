<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Repository\Callers;
use MintDoor\Shared\Repository\SecurityEntries;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * What matters to the safety of accounts and people, apart from the history and from the log of errors. Each line is
 * chained to the one before it by a hash (SHA-256), and the last link is kept sealed: a line that is removed, changed
 * or put in shows (`security:verify`). Network addresses stand beside the chain, so that they can be forgotten: it
 * holds a keyed digest of them.
 */
final class SecurityLog implements Reseals
{
    private const PLACES = 'security log: places';

    private const HEAD = 'security log: head';

    /** @var list<array{code: string, person: ?string, by: ?string, site: ?string, data: array<string, mixed>}> */
    private array $noted = [];

    public function __construct(
        private readonly SecurityEntries $entries,
        private readonly Callers $accounts,
        private readonly RequestStack $requests,
        private readonly PlatformClock $clock,
        private readonly Sealer $sealer,
    ) {}

    /**
     * Notes something; it is written with the transaction it belongs to, or before the answer leaves.
     *
     * @param ?string              $person id of whom it is about; administrators of their division find it
     * @param ?string              $by     id of who did it
     * @param array<string, mixed> $data   ids and codes, no names
     */
    public function note(
        string $code,
        ?string $person = null,
        ?string $by = null,
        ?string $site = null,
        array $data = [],
    ): void {
        $this->noted[] = ['code' => $code, 'person' => $person, 'by' => $by, 'site' => $site, 'data' => $data];
    }

    /** What was noted did not happen after all. */
    public function drop(): void
    {
        $this->noted = [];
    }

    /** Runs inside a transaction, as the last thing before it is committed: the chain is locked meanwhile. */
    public function write(): void
    {
        $noted = $this->noted;
        $this->noted = [];
        if ([] === $noted) {
            return;
        }
        $divisions = $this->divisions($noted);
        $address = $this->requests->getMainRequest()?->getClientIp();
        $place = null === $address ? '' : bin2hex($this->sealer->hash($address, self::PLACES));
        $end = $this->end(locked: true);
        [$sequence, $hash] = [$end->entries, $end->link];
        $lines = [];
        foreach ($noted as $one) {
            $line = [
                'sequence' => ++$sequence,
                'at' => Instant::toSql($this->clock->instant()),
                'code' => $one['code'],
                'person' => $one['person'],
                'by' => $one['by'],
                'site' => $one['site'],
                'place' => $place,
                'data' => json_encode((object) $one['data'], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE),
            ];
            $hash = self::link($hash, $line);
            $lines[] = [
                'sequence' => $sequence,
                'at' => $line['at'],
                'code' => $line['code'],
                'person_id' => BulkWriter::id($line['person']),
                'by_id' => BulkWriter::id($line['by']),
                'site_id' => BulkWriter::id($line['site']),
                'division_id' => BulkWriter::id($divisions[$one['person'] ?? ''] ?? null),
                'address' => $address,
                'place' => $place,
                'data' => $line['data'],
                'hash' => bin2hex($hash),
            ];
        }
        $this->entries->append($lines);
        $this->entries->setEnd($sequence, $this->sealer->seal($sequence.' '.bin2hex($hash), self::HEAD));
    }

    #[AsEventListener(priority: -500)]
    public function answered(ResponseEvent $event): void
    {
        if ($event->isMainRequest() && [] !== $this->noted) {
            $this->entries->atOnce($this->write(...));
        }
    }

    /**
     * @return ?int the first line that is not as it was written; null where all of them are, 0 where the end is missing
     */
    public function broken(): ?int
    {
        $hash = '';
        $expected = 1;
        foreach ($this->entries->each() as $row) {
            $hash = self::link($hash, [
                'sequence' => $row->int('sequence'),
                'at' => $row->string('at'),
                'code' => $row->string('code'),
                'person' => $row->idOrNull('person_id'),
                'by' => $row->idOrNull('by_id'),
                'site' => $row->idOrNull('site_id'),
                'place' => $row->string('place'),
                'data' => $row->string('data'),
            ]);
            if ($row->int('sequence') !== $expected || bin2hex($hash) !== $row->string('hash')) {
                return $expected;
            }
            ++$expected;
        }
        $end = $this->end();

        return $end->entries === $expected - 1 && hash_equals($end->link, $hash) ? null : 0;
    }

    public function reseal(): Resealed
    {
        $end = $this->end();
        $this->entries->resetEnd(
            $end->entries,
            0 === $end->entries ? '' : $this->sealer->seal($end->entries.' '.bin2hex($end->link), self::HEAD),
        );

        return new Resealed('end of the security log', 1);
    }

    private function end(bool $locked = false): LogEnd
    {
        $row = $this->entries->end($locked) ?? new Row([]);
        $opened = explode(' ', (string) $this->sealer->open($row->stringOrNull('sealed'), self::HEAD));
        $hash = (string) hex2bin($opened[1] ?? '');

        return new LogEnd($row->int('entries'), (int) $opened[0] === $row->int('entries') ? $hash : '');
    }

    /** @param array<string, int|string|null> $line */
    private static function link(string $before, array $line): string
    {
        return hash('sha256', $before.json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE), true);
    }

    /**
     * @param list<array{code: string, person: ?string, by: ?string, site: ?string, data: array<string, mixed>}> $noted
     *
     * @return array<string, string> id of the division by person
     */
    private function divisions(array $noted): array
    {
        $people = array_values(array_unique(array_filter(array_column($noted, 'person'), is_string(...))));

        return $this->accounts->divisions($people);
    }
}
