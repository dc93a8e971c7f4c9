<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Changes\ChangeLists;
use MintDoor\Core\Plans\Because;
use MintDoor\Core\Plans\WhatIf;
use MintDoor\Core\Plans\Why;
use MintDoor\People\PersonRow;
use MintDoor\Plans\Entity\SitePlan;
use MintDoor\Plans\Repository\PlannedPeople;
use MintDoor\Plans\Repository\SitePlans;
use MintDoor\Plans\Repository\Wishes;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SectionsQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Page;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Somebody;
use MintDoor\Weeks\Meetings;

/** The plan of a site, as whoever makes it sees it. */
final readonly class PlanQuery
{
    private const PAGE = 200;

    private const LIST = 'planned';

    public function __construct(
        private SitePlans $plans,
        private Wishes $wishes,
        private PlannedPeople $people,
        private SectionsQuery $sections,
        private ChangeLists $lists,
        private PlanRunner $runner,
        private Gate $gate,
        private Meetings $meetings,
    ) {}

    public function of(SiteAccess $access): PlanAnswer
    {
        $plan = $this->plans->of($access->site->id);
        $planned = $this->people->of($access->site->id, $access->now);
        // Only of those it is about: whoever left counts no more.
        $wishes = null === $plan ? [] : array_intersect_key($this->wishes->of($plan), $planned);
        $outcome = null === $plan?->outcome ? null : Outcome::read($plan->outcome);
        $without = array_filter($planned, static fn(Planned $one): bool => [] === $one->sections);
        $away = null === $plan ? $this->plans->awayOf($access->site->id) : null;

        return new PlanAnswer(
            null === $plan ? null : $this->plan($access, $plan, $planned, \count($wishes), $outcome),
            $this->sections($access, $plan, $planned, $wishes, $outcome),
            \count($planned),
            \count($without),
            null === $away?->putAwayAt ? null : Instant::toJson($away->putAwayAt),
            null === $away ? 0 : \count(array_intersect_key($this->wishes->of($away), $planned)),
        );
    }

    /**
     * Who has no place first, then by section; of a section those with the least of their wishes first.
     *
     * @return Page<PlannedShown> schema `PlannedPeople`
     */
    public function people(SiteAccess $access, SitePlan $plan, ?string $cursor): Page
    {
        $outcome = null === $plan->outcome ? null : Outcome::read($plan->outcome);
        $planned = $this->people->of($access->site->id, $access->now);
        $after = max(0, (int) (Cursor::read($cursor, self::LIST, 'i')->values[0] ?? 0));
        $places = array_flip(PlanTerms::read($plan->terms)->sections($access->site));
        $rows = [];
        foreach ($planned as $id => $one) {
            $why = $outcome?->why[$id] ?? null;
            $order = [null === $why?->section ? -1 : $places[$why->section] ?? 0, -self::need($why)];
            $rows[] = [$order, (string) $id, $one, $why];
        }
        $rows = array_values(array_filter($rows, static fn(array $row): bool => null !== $row[3]));
        // Names stay in their order.
        usort($rows, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $page = \array_slice($rows, $after, self::PAGE);
        $more = \count($rows) > $after + self::PAGE;

        return new Page(
            array_map(static fn(array $row): PlannedShown => self::shown($row[1], $row[2], $row[3]), $page),
            $more ? Cursor::write(self::LIST, [$after + self::PAGE]) : null,
        );
    }

    public function whatIf(SiteAccess $access, SitePlan $plan, WhatIfRequest $request): WhatIfAnswer
    {
        $moved = [];
        foreach ($request->moved as $n => $one) {
            if (!isset($access->site->sections[$one->section])) {
                throw Problem::field("/moved/$n/section", 'unknown', 'shared.no-such-section');
            }
            $moved[$one->section] = $this->meetings->supposed(
                $access,
                $one->section,
                $one->days,
                $one->time,
                $one->minutes,
            );
        }
        $whatIf = $request->whatIf($moved);
        $outcome = $this->runner->tried($access, $plan, $whatIf);
        $held = $outcome->held();
        $sections = [];
        foreach (PlanTerms::read($plan->terms)->sections($access->site) as $section) {
            $sections[] = ['section' => $section, 'people' => $held[$section] ?? 0];
        }
        if (null !== $whatIf->more) {
            $sections[] = ['section' => null, 'people' => $held[WhatIf::MORE] ?? 0];
        }
        $moves = self::moves($outcome, $this->people->of($access->site->id, $access->now));

        return new WhatIfAnswer(OutcomeShown::of($outcome, $moves), $sections);
    }

    private static function need(?Why $why): int
    {
        return match ($why?->because) {
            Because::Unnamed => 1_000,
            Because::Wish => (int) $why->wish,
            default => 0,
        };
    }

    private static function shown(string $id, Planned $one, ?Why $why): PlannedShown
    {
        return new PlannedShown(
            new Somebody($id, PersonRow::name($one->person)),
            $one->sections,
            $why?->section,
            ($why->because ?? Because::Nowhere)->value,
            $why?->wish,
            $why->full ?? [],
            $why->cannot ?? [],
            $why->onePlace ?? [],
            $why->anHour ?? [],
            $why->kept ?? [],
        );
    }

    /** @param array<string, Planned> $planned */
    private function plan(
        SiteAccess $access,
        SitePlan $plan,
        array $planned,
        int $answered,
        ?Outcome $outcome,
    ): PlanShown {
        [$from, $until] = $plan->days($access->zone());
        $terms = PlanTerms::read($plan->terms);
        $named = static fn(array $ids): array => array_values(
            array_map(
                static fn(string $id): Somebody => new Somebody($id, PersonRow::name($planned[$id]->person)),
                array_filter($ids, static fn(string $id): bool => isset($planned[$id])),
            ),
        );
        $json = static fn(?int $instant): ?string => null === $instant ? null : Instant::toJson($instant);
        $list = $plan->changeList?->id;

        return new PlanShown(
            $plan->state,
            $terms->moves->value,
            $named($terms->stays),
            array_map($named, $terms->together),
            array_map($named, $terms->apart),
            $terms->balances,
            $from,
            $until,
            $plan->asks($access->now),
            null !== $plan->opensAt && $plan->opensAt > $access->now,
            $json($plan->closesAt),
            $answered,
            \count($planned),
            $json($plan->remindedAt),
            $plan->seed,
            $json($plan->drawnAt),
            $plan->done,
            $plan->steps,
            array_map(
                fn(SitePlan $other): array => [
                    'site' => null === $this->gate->ifThere($other->site->id, $access->caller)
                        ? null
                        : new Somebody($other->site->id, $other->site->title),
                    'state' => $other->state,
                ],
                $this->plans->with($plan),
            ),
            null === $outcome ? null : OutcomeShown::of($outcome, self::moves($outcome, $planned)),
            $list,
            null !== $list && $this->lists->isUndone($list),
            $plan->version,
        );
    }

    /** @param array<string, Planned> $planned */
    private static function moves(Outcome $outcome, array $planned): int
    {
        $moves = 0;
        foreach ($planned as $id => $one) {
            $to = $outcome->why[$id]->section ?? null;
            $moves += (int) (null !== $to && !\in_array($to, $one->sections, true));
        }

        return $moves;
    }

    /**
     * @param array<string, Planned>      $planned
     * @param array<string, list<string>> $wishes
     *
     * @return list<PlanSectionShown>
     */
    private function sections(
        SiteAccess $access,
        ?SitePlan $plan,
        array $planned,
        array $wishes,
        ?Outcome $outcome,
    ): array {
        $terms = null === $plan ? null : PlanTerms::read($plan->terms);
        $used = array_flip($terms?->sections($access->site) ?? []);
        $now = array_count_values(
            array_merge(
                [],
                ...array_map(static fn(Planned $one): array => $one->sections, array_values($planned)),
            ),
        );
        $first = array_count_values(
            array_filter(
                array_map(static fn(array $own): string => $own[0] ?? '', array_values($wishes)),
            ),
        );
        $wished = array_count_values(array_merge([], ...array_values($wishes)));
        $held = $outcome?->held();
        $shown = [];
        foreach ($this->sections->seen($access) as $section) {
            if ($section->retired) {
                continue;
            }
            $id = $section->id;
            $shown[] = new PlanSectionShown(
                $id,
                $section->name,
                $section->seats,
                isset($used[$id]),
                $terms?->places[$id] ?? null,
                $terms?->least[$id] ?? null,
                $now[$id] ?? 0,
                $first[$id] ?? 0,
                $wished[$id] ?? 0,
                null === $held ? null : $held[$id] ?? 0,
            );
        }

        return $shown;
    }
}
