<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Removal;
use MintDoor\Core\Changes\Summary;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/**
 * Computes change lists whose lines are of several sites. Changes nothing.
 *
 * @phpstan-type Review array{lines: list<array<string, mixed>>, sites: list<array<string, mixed>>,
 *     verdicts: array<string, int>, removal: ?array{people: int, here: int}, total: int}
 */
final readonly class ManySites
{
    /** Lines that are answered one by one; of a longer change list those that need a look come first. */
    private const SHOWN = 2_000;

    public function __construct(private Gate $gate, private ChangeHandler $handler, private Roles $roles) {}

    /**
     * What a change list would do, with the rights of whoever looks.
     *
     * @param list<ChangeItem> $items
     *
     * @return Review schema `SheetReview`
     */
    public function review(array $items, Caller $caller): array
    {
        $most = $this->roles->limits()->changeList;
        if (\count($items) > $most) {
            throw Problem::field(
                '/lines',
                'too-many',
                \sprintf(
                    'That makes %s lines; a change list has %s at most here. Choose fewer people or sites, and do the '
                        .'rest '
                        .'after.',
                    number_format(\count($items)),
                    number_format($most),
                ),
            );
        }
        $bySite = [];
        foreach ($items as $key => $item) {
            $bySite[$item->site][$key] = $item->line;
        }

        return $this->all($bySite, $caller, $this->handler->look(...));
    }

    /**
     * What taking lines of a change list back would do.
     *
     * @param list<Row> $lines with `id` and `site_id`, the last first
     *
     * @return Review schema `SheetReview`
     */
    public function reviewUndo(array $lines, Caller $caller): array
    {
        $bySite = [];
        foreach ($lines as $key => $line) {
            $bySite[$line->id('site_id')][$key] = $line->id('id');
        }

        return $this->all($bySite, $caller, $this->handler->lookBack(...));
    }

    /**
     * @template T
     *
     * @param array<string, array<int, T>> $bySite
     * @param callable(SiteAccess, array<int, T>): array{
     *     lines: array<int, array<string, mixed>>,
     *     summary: Summary,
     *     removal: ?Removal,
     * } $look
     *
     * @return Review
     */
    private function all(array $bySite, Caller $caller, callable $look): array
    {
        $lines = $sites = [];
        $verdicts = array_fill_keys(
            array_map(static fn(Verdict $verdict): string => $verdict->value, Verdict::cases()),
            0,
        );
        $removal = null;
        foreach ($bySite as $site => $requests) {
            $access = $this->gate->at($site, $caller);
            $looked = $look($access, $requests);
            $about = ['id' => $site, 'title' => $access->row->string('title')];
            $inZone = [...$about, 'timeZone' => $access->row->string('time_zone')];
            foreach ($looked['lines'] as $key => $line) {
                $lines[$key] = [
                    'key' => $key,
                    'site' => $inZone,
                    'siteVersion' => $access->row->int('version'),
                    ...$line,
                ];
                ++$verdicts[\is_string($line['verdict']) ? $line['verdict'] : ''];
            }
            $summary = $looked['summary'];
            $sites[] = [
                ...$about,
                'seats' => $summary->seats,
                'held' => $summary->held,
                'after' => $summary->after,
                'joining' => $summary->joining,
                'leaving' => $summary->leaving,
            ];
            if (null !== $looked['removal']) {
                $removal = [
                    'people' => ($removal['people'] ?? 0) + $looked['removal']->people,
                    'here' => ($removal['here'] ?? 0) + $looked['removal']->here,
                ];
            }
        }
        ksort($lines);
        $total = \count($lines);
        if ($total > self::SHOWN) {
            uksort(
                $lines,
                static fn(int $a, int $b): int => [Verdict::Ready->value === $lines[$a]['verdict'], $a] <=> [
                    Verdict::Ready->value === $lines[$b]['verdict'],
                    $b,
                ],
            );
        }

        return [
            'lines' => \array_slice(array_values($lines), 0, self::SHOWN),
            'sites' => $sites,
            'verdicts' => $verdicts,
            'removal' => $removal,
            'total' => $total,
        ];
    }
}
