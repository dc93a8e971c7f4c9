<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Time\Cover;
use MintDoor\Core\Time\Window;
use MintDoor\Desk\Repository\TodayRows;
use MintDoor\Desk\Repository\TodayScope;
use MintDoor\History\KeptUntilChange;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\HealthReport;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;

/** What waits for somebody today, what changes by itself in the next days, and what others did. */
final readonly class TodayQuery
{
    private const DAY = 86_400;

    /** Days ahead that are looked at. */
    private const AHEAD = 14;

    /** Days after which an invitation that nobody answered is asked about. */
    private const UNANSWERED = 3;

    /** Days back in which something still waits: messages that came back, leads that ended. */
    private const BACK = 30;

    /** Days back in which lists that were begun are looked for. */
    private const BEGUN = 120;

    /** Days back that are told of to who never said that they had seen it, and at most to anybody. */
    private const NEWS = 7;

    private const NEWS_MOST = 60;

    /** Of a kind so many are shown in full. */
    private const SHOWN = 25;

    /** Sites of which is told what others did. */
    private const SITES = 8;

    private const NAMES = 3;

    public function __construct(
        private TodayRows $rows,
        private Roles $roles,
        private PlatformSettings $settings,
        private PlatformClock $clock,
        private HealthReport $health,
        private KeptUntilChange $kept,
        private FirstStepsQuery $firstSteps,
    ) {}

    public function of(Caller $caller): TodayAnswer
    {
        $now = $this->clock->instant();
        $scope = new TodayScope($caller, $this->roles, $now);
        $seen = $this->rows->seenAt($caller->id);
        $since = max($seen ?? $now - self::NEWS * self::DAY, $now - self::NEWS_MOST * self::DAY);

        return new TodayAnswer(
            (string) Instant::toJson($now),
            TodayDecision::instant($seen),
            $this->decisions($caller, $scope, $now),
            $this->coming($scope, $now),
            $this->changed($caller, $scope, $since),
            $caller->isAdministrator() ? $this->platform($caller, $scope, $now) : null,
        );
    }

    /** @return list<TodayDecisions> */
    private function decisions(Caller $caller, TodayScope $scope, int $now): array
    {
        $number = static fn(Row $row): string => (string) $row->int('id');
        $id = static fn(Row $row): string => $row->id('id');
        $back = $now - self::BACK * self::DAY;
        $begun = $now - self::BEGUN * self::DAY;
        $unanswered = $this->rows->unanswered($scope, $now - self::UNANSWERED * self::DAY);
        $leaderless = $this->leaderless($scope, $now, $back);

        return array_values(
            array_filter([
                self::some('request', $this->rows->requests($scope), $number),
                self::kind('no-lead', \count($leaderless), $leaderless),
                self::some('leaving', $this->rows->leaving($scope), $id),
                self::some('offer', $this->rows->offers($scope), $number),
                self::some('plan', $this->rows->plans($scope, $begun), $id),
                self::some('bounced', $this->rows->bounced($scope, $back), $id),
                self::some('invitation', $unanswered, $id),
                self::some('draft', $this->rows->begun($scope, $begun), $id),
            ]),
        );
    }

    /**
     * @param list<Row>             $rows
     * @param callable(Row): string $id
     */
    private static function some(string $kind, array $rows, callable $id): ?TodayDecisions
    {
        $shown = \array_slice($rows, 0, self::SHOWN);

        return self::kind(
            $kind,
            \count($rows),
            array_map(static fn(Row $row): TodayDecision => TodayDecision::of($row, $id($row)), $shown),
        );
    }

    /** @param list<TodayDecision> $items */
    private static function kind(string $kind, int $count, array $items): ?TodayDecisions
    {
        return 0 === $count ? null : new TodayDecisions(
            $kind,
            min($count, TodayRows::MOST),
            $count > TodayRows::MOST,
            \array_slice($items, 0, self::SHOWN),
        );
    }

    /** @return list<TodayDecision> open sites that have no lead, or will have none in the next days */
    private function leaderless(TodayScope $scope, int $now, int $back): array
    {
        $until = $now + self::AHEAD * self::DAY;
        $sites = [];
        foreach ($this->rows->leads($scope, $back, $until) as $row) {
            $sites[$row->id('site_id')][] = $row;
        }
        $found = [];
        foreach ($sites as $id => $rows) {
            $led = $last = [];
            foreach ($rows as $row) {
                $from = $row->instantOrNull('from_at');
                $to = $row->instantOrNull('until_at');
                if (null !== $from && null !== $to) {
                    $led[] = new Window($from, $to);
                    $last[$to] = $row;
                }
            }
            $row = $rows[0];
            $whole = new Window($now, max($now, min($row->instant('closes_at'), $until)));
            $gap = Cover::firstGap($led, $whole);
            if (null === $gap) {
                continue;
            }
            ksort($last);
            $before = array_filter($last, static fn(int $to): bool => $to <= $gap, \ARRAY_FILTER_USE_KEY);
            $found[] = new TodayDecision(
                $id,
                new Somebody($id, $row->string('site_title')),
                [] === $before ? null : TodayDecision::named(end($before), 'person_id', 'person_name'),
                null,
                Instant::toJson($gap),
                null,
                null,
                $row->string('time_zone'),
            );
        }

        return $found;
    }

    /** @return list<ToCome> */
    private function coming(TodayScope $scope, int $now): array
    {
        $until = $now + self::AHEAD * self::DAY;
        $coming = [];
        foreach ($this->rows->doorsThatShut($scope, $until) as $row) {
            $coming[] = self::toCome('door-shuts', $row, $row->string('about_name'), $row->string('words'));
        }
        foreach ($this->rows->sitesThatTurn($scope, $until) as $row) {
            $coming[] = self::toCome('site-'.$row->string('words'), $row, '', '');
        }
        foreach ($this->settings->read()->terms as $term) {
            foreach (['term-begins' => $term->startsOn, 'term-ends' => $term->endsOn] as $kind => $day) {
                $at = (int) strtotime($day.' 00:00:00 UTC');
                if ($at > $now - self::DAY && $at <= $until) {
                    $coming[] = new ToCome($kind, (string) Instant::toJson($at), null, $term->name, '', 'UTC');
                }
            }
        }
        usort($coming, static fn(ToCome $a, ToCome $b): int => $a->at <=> $b->at);

        return $coming;
    }

    private static function toCome(string $kind, Row $row, string $name, string $doorKind): ToCome
    {
        \assert(\in_array($kind, ['door-shuts', 'site-opens', 'site-closes'], true));

        return new ToCome(
            $kind,
            (string) Instant::toJson($row->instant('at')),
            TodayDecision::named($row, 'site_id', 'site_title'),
            $name,
            $doorKind,
            $row->string('time_zone'),
        );
    }

    /** @return list<ChangedSite> */
    private function changed(Caller $caller, TodayScope $scope, int $since): array
    {
        $sites = $this->rows->sitesWithNews($scope, $since, self::SITES);
        if ([] === $sites) {
            return [];
        }
        $ids = array_map(static fn(Row $row): string => $row->id('site_id'), $sites);
        $entries = array_fill_keys($ids, []);
        foreach ($this->rows->entries($ids, $caller->id, $since) as $row) {
            $entries[$row->id('site_id')][] = $row;
        }
        $changed = [];
        foreach ($sites as $site) {
            $id = $site->id('site_id');
            if ([] === $entries[$id]) {
                continue;
            }
            $codes = array_count_values(
                array_map(static fn(Row $row): string => $row->string('code'), $entries[$id]),
            );
            arsort($codes);
            $by = array_values(
                array_unique(
                    array_filter(
                        array_map(static fn(Row $row): ?string => $row->stringOrNull('person_name'), $entries[$id]),
                    ),
                ),
            );
            $changed[] = new ChangedSite(
                new Somebody($id, $site->string('site_title')),
                (string) Instant::toJson($entries[$id][0]->instant('at')),
                $site->string('time_zone'),
                array_map(
                    static fn(string $code, int $count): array => ['code' => $code, 'count' => $count],
                    array_keys($codes),
                    $codes,
                ),
                \array_slice($by, 0, self::NAMES),
                max(0, \count($by) - self::NAMES),
            );
        }

        return $changed;
    }

    private function platform(Caller $caller, TodayScope $scope, int $now): PlatformToday
    {
        $names = array_column($this->settings->read()->divisions->all(), 'name', 'code');
        // Thousands of sites are counted when something was done to one of them.
        $counted = $this->kept->while(
            'sites by division '.json_encode(
                $caller->platformAdministrator ?: $caller->divisions,
                \JSON_THROW_ON_ERROR
            ),
            $this->rows->stateOfSites($now),
            fn(): array => array_map(
                static fn(Row $row): array => [
                    $row->string('code'),
                    $row->int('draft'),
                    $row->int('open'),
                    $row->int('closed'),
                ],
                $this->rows->sitesByDivision($scope),
            ),
        );

        return new PlatformToday(
            array_map(
                static fn(array $row): array => [
                    'division' => $names[$row[0]] ?? $row[0],
                    'draft' => $row[1],
                    'open' => $row[2],
                    'closed' => $row[3],
                ],
                $counted,
            ),
            $caller->platformAdministrator ? $this->health->now() : null,
            $caller->platformAdministrator ? FirstStepsAnswer::of($this->firstSteps->now()) : null,
        );
    }
}
