<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Verdict;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;

/**
 * Computes change lists whose lines are of several sites. Changes nothing.
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
     */
    public function review(array $items, Caller $caller): ReviewAnswer
    {
        $most = $this->roles->limits()->changeList;
        if (\count($items) > $most) {
            throw Problem::field(
                '/lines',
                'too-many',
                Said::with('changes.lines-too-many', n: \count($items), most: $most),
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
     */
    public function reviewUndo(array $lines, Caller $caller): ReviewAnswer
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
     * @param \Closure(SiteAccess, array<int, T>): ComputedList $look
     */
    private function all(array $bySite, Caller $caller, \Closure $look): ReviewAnswer
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
            $title = $access->row->string('title');
            $inZone = new SiteInZone($site, $title, $access->row->string('time_zone'));
            foreach ($looked->answers as $key => $line) {
                $lines[$key] = new ReviewedLine($key, $inZone, $access->row->int('version'), $line);
                ++$verdicts[$line->verdict->value];
            }
            $summary = $looked->summary;
            $sites[] = new ReviewedSite(
                $site,
                $title,
                $summary->seats,
                $summary->held,
                $summary->after,
                $summary->joining,
                $summary->leaving,
            );
            if (null !== $looked->removal) {
                $removal = $looked->removal->and($removal);
            }
        }
        ksort($lines);
        $total = \count($lines);
        if ($total > self::SHOWN) {
            $rank = static fn(ReviewedLine $line): array => [Verdict::Ready === $line->line->verdict, $line->key];
            usort($lines, static fn(ReviewedLine $a, ReviewedLine $b): int => $rank($a) <=> $rank($b));
        }

        return new ReviewAnswer(
            \array_slice(array_values($lines), 0, self::SHOWN),
            $sites,
            $verdicts,
            $removal,
            $total,
        );
    }
}
