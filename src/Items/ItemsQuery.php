<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Items\Leak;
use MintDoor\Core\Items\Viewer;
use MintDoor\Core\Items\Visibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Time\Time;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Labels;
use MintDoor\Roster\SeeAs;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Somebody;

/** What a site has, and who sees it: for staff with how many and what is hardly meant, for others what they see. */
final readonly class ItemsQuery
{
    /** Names of people in one answer. */
    private const MOST_NAMES = 500;

    private const NOON = 12 * 3_600;

    public function __construct(
        private Items $items,
        private Sights $sights,
        private Labels $labels,
    ) {}

    public function of(SiteAccess $access, ItemsFilter $filter, ?int $entry = null): ItemsAnswer
    {
        $all = $this->items->of($access);
        $at = self::instant($access, $filter);

        return null === $access->seenAs && $access->may(Permission::SeeUnlisted)
            ? $this->forStaff($access, $all, $at, $entry)
            : $this->seen($access, $all, $at);
    }

    /**
     * Who sees an item on a day, and who does not: of those whom the caller sees.
     *
     * @return array{sees: list<Somebody>, not: list<Somebody>, more: bool}
     */
    public function people(SiteAccess $access, string $item, ItemsFilter $filter): array
    {
        $all = $this->items->of($access);
        if (!isset($all->items[$item])) {
            throw Problem::notFound('item');
        }
        $at = self::instant($access, $filter);
        $people = $this->whomTheySee($access, $at, array_values($all->visibilities));
        $viewers = $this->items->viewers($access, $people, $at);
        $audience = Items::audience($all->items, $all->visibilities, []);
        $lists = ['sees' => [], 'not' => []];
        foreach ($people as $id => $row) {
            $sees = isset($viewers[$id]) && $audience->spansOf($item, $viewers[$id])->contains($at);
            $lists[$sees ? 'sees' : 'not'][] = new Somebody($id, $row->name);
        }
        $more = \count($lists['sees']) > self::MOST_NAMES || \count($lists['not']) > self::MOST_NAMES;

        return [
            'sees' => \array_slice($lists['sees'], 0, self::MOST_NAMES),
            'not' => \array_slice($lists['not'], 0, self::MOST_NAMES),
            'more' => $more,
        ];
    }

    /** Whether a caller says who sees items: who sees the people of all sections, and may. */
    public static function mayShow(SiteAccess $access): bool
    {
        return $access->may(Permission::ShowItems) && null === $access->standing->sections && null === $access->seenAs;
    }

    /**
     * Nobody is counted whom the caller does not see.
     *
     * @param list<Visibility> $sentences whose labels matter
     *
     * @return array<string, ViewerRow> by id
     */
    private function whomTheySee(SiteAccess $access, int $at, array $sentences): array
    {
        return $this->items->people($access, $at, $sentences, $this->sights->condition($access));
    }

    private function forStaff(SiteAccess $access, SiteItems $all, int $at, ?int $entry): ItemsAnswer
    {
        $sentences = [...array_values($all->visibilities), ...array_values($all->sentences)];
        $people = $this->whomTheySee($access, $at, $sentences);
        $viewers = $this->items->viewers($access, $people, $at);
        $audience = Items::audience($all->items, $all->visibilities, $viewers);
        $zone = $access->zone();
        $shown = $used = [];
        foreach ($all->items as $id => $item) {
            $named = ($all->kept[$id] ?? null)?->named?->id;
            null === $named || ($used[$named] = ($used[$named] ?? 0) + 1);
            $visibility = $all->visibilities[$id] ?? Visibility::everybody();
            $shown[] = new ItemShown(
                $item->id,
                $item->kind->value,
                $item->title,
                $item->unit,
                $item->names,
                (object) VisibilityCodec::write($visibility, $zone),
                $named,
                $audience->seeing($item->id, $at),
            );
        }
        $names = [];
        foreach ($all->named as $id => $each) {
            $names[] = [
                'id' => $id,
                'name' => $each->name,
                'visibility' => (object) VisibilityCodec::write($all->sentences[$id], $zone),
                'items' => $used[$id] ?? 0,
            ];
        }

        return new ItemsAnswer(
            Instant::toJson($at),
            \count($viewers),
            $shown,
            $names,
            $this->items->offered($access->site->id),
            array_map(self::leak(...), $audience->leaks($at, self::end($access, $at), self::sections($access))),
            $access->row->int('version'),
            self::mayShow($access),
            $entry,
        );
    }

    /** What the caller sees, or as whom the site is looked at. */
    private function seen(SiteAccess $access, SiteItems $all, int $at): ItemsAnswer
    {
        $viewer = $this->viewer($access, $all, $at);
        $seen = null === $viewer
            ? []
            : Items::audience($all->items, $all->visibilities, [])->seenBy($viewer, $at);
        $shown = [];
        foreach ($seen as $id) {
            $item = $all->items[$id];
            $names = array_values(array_intersect($item->names, $seen));
            $shown[] = new ItemShown($id, $item->kind->value, $item->title, $item->unit, $names, null, null, null);
        }

        return new ItemsAnswer(Instant::toJson($at), null, $shown, [], [], [], $access->row->int('version'), false);
    }

    /** What a caller is at an instant; null where they could not enter then. */
    private function viewer(SiteAccess $access, SiteItems $all, int $at): ?Viewer
    {
        $own = null === $access->segment ? [] : [$access->segment];
        $timeline = $access->enrollment?->timeline() ?? new Timeline($own);
        $viewer = $this->items->viewer($access->site, PersonRow::caller($access->caller), $timeline, $at);
        $borne = $this->labels->ofPeople([$access->caller->id])[$access->caller->id] ?? [];

        $sentences = array_values($all->visibilities);
        $group = SeeAs::groupOf($access->seenAs);
        $groups = match (true) {
            null === $viewer => [],
            null !== $group => [$group],
            default => $this->items->groupsOf($access->site->id, $access->caller->id, $sentences),
        };

        return $viewer?->labelled($borne)->inGroups($groups);
    }

    private static function leak(Leak $leak): LeakShown
    {
        return new LeakShown(
            $leak->code,
            $leak->item,
            $leak->other,
            $leak->section,
            $leak->people,
            null === $leak->at ? null : Instant::toJson($leak->at),
        );
    }

    /** @return list<string> ids of the sections that people are put into */
    private static function sections(SiteAccess $access): array
    {
        $open = array_filter($access->site->sections, static fn(Section $section): bool => !$section->retired);

        return array_map(strval(...), array_keys($open));
    }

    /** Until when what is hardly meant is looked for: the site's end, or that of its term. */
    private static function end(SiteAccess $access, int $at): int
    {
        $end = min($access->site->closesAt, $access->site->termEnds);

        return $end <= $at ? Time::FOREVER : $end;
    }

    /** Now, or the noon of a day for those who help run the site. */
    private static function instant(SiteAccess $access, ItemsFilter $filter): int
    {
        return null === $filter->on || (null === $access->seenAs && !$access->may(Permission::SeeUnlisted))
            ? $access->now
            : $access->startOf($filter->on, '/on') + self::NOON;
    }
}
