<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * The people of a site before its items: who sees what, and what is hardly meant. People who are alike are looked at
 * once, so that it costs what there are kinds of people, however many there are of each.
 *
 * What stands in a unit is seen with the unit only.
 */
final class Audience
{
    /** @var array<string, Viewer> one of each kind, by its key */
    private array $kinds = [];

    /** @var array<string, int> how many there are of a kind */
    private array $many = [];

    /** @var array<string, Item> by id */
    private readonly array $items;

    /** @var array<string, array<string, string>> which parts of an item's sentence hold, by item and kind of people */
    private array $holding = [];

    /** @var array<string, list<array{string, array<string, true>}>> what an item's sentence says of people, by item */
    private array $atoms = [];

    /** @var array<string, array<string, Spans>> by item and what holds of its sentence */
    private array $spans = [];

    /** @var array<string, array<string, array<string, true>>> what a kind of people is: by kind, sort, and name */
    private array $are = [];

    /**
     * @param list<Item>                $items
     * @param array<string, Visibility> $visibilities by item; one that is missing is seen by everybody
     * @param array<string, Viewer>     $people       by id
     */
    public function __construct(array $items, private readonly array $visibilities, array $people)
    {
        $this->items = array_column($items, null, 'id');
        foreach ($people as $viewer) {
            $key = $viewer->key();
            $this->kinds[$key] ??= $viewer;
            $this->many[$key] = ($this->many[$key] ?? 0) + 1;
        }
    }

    /** When somebody sees an item: by its own sentence, and by that of the unit it stands in. */
    public function spansOf(string $item, Viewer $viewer): Spans
    {
        $own = ($this->visibilities[$item] ?? Visibility::everybody())->spans($viewer);
        $unit = $this->items[$item]->unit ?? null;

        return null === $unit || !isset($this->items[$unit]) || $unit === $item
            ? $own
            : $own->and(($this->visibilities[$unit] ?? Visibility::everybody())->spans($viewer));
    }

    /** How many see an item at an instant. */
    public function seeing(string $item, int $at): int
    {
        $people = 0;
        foreach ($this->alikeBefore([$item]) as [$key, $many]) {
            $people += $this->spans($item, $key)->contains($at) ? $many : 0;
        }

        return $people;
    }

    /** @return list<string> ids of the items that somebody sees at an instant, in their order */
    public function seenBy(Viewer $viewer, int $at): array
    {
        $seen = [];
        foreach (array_keys($this->items) as $id) {
            if ($this->spansOf((string) $id, $viewer)->contains($at)) {
                $seen[] = (string) $id;
            }
        }

        return $seen;
    }

    /**
     * What is hardly meant from an instant until another.
     *
     * @param list<string> $sections ids of those that have people
     *
     * @return list<Leak> the most people first
     */
    public function leaks(int $from, int $until, array $sections): array
    {
        $while = Spans::of(new Window($from, max($from, $until)));
        $leaks = [];
        foreach ($this->items as $item) {
            $seen = false;
            foreach ($this->alikeBefore([$item->id]) as [$key]) {
                $seen = $seen || (!$this->kinds[$key]->makes && !$this->spans($item->id, $key)->and($while)->isNever());
            }
            if (!$seen && [] !== $this->learners()) {
                $leaks[] = new Leak('nobody', $item->id, null, null, 0, $from);
                continue;
            }
            foreach ($item->names as $other) {
                $leaks[] = isset($this->items[$other]) ? $this->hidden($item->id, $other, $while) : null;
            }
            if (ItemKind::Unit === $item->kind) {
                $leaks[] = $this->unitFirst($item, $while);
            }
        }
        foreach ($sections as $section) {
            $leaks[] = $this->idle($section, $while);
        }
        $leaks = array_values(array_filter($leaks));
        usort($leaks, static fn(Leak $a, Leak $b): int => [$b->people, $a->item] <=> [$a->people, $b->item]);

        return $leaks;
    }

    /** That people see an item and not the other one, which it names, at some time. */
    private function hidden(string $item, string $other, Spans $while): ?Leak
    {
        $people = 0;
        $at = Time::FOREVER;
        foreach ($this->alikeBefore([$item, $other]) as [$key, $many]) {
            $only = $this->spans($item, $key)->and($while)->without($this->spans($other, $key));
            if (!$only->isNever()) {
                $people += $many;
                $at = min($at, $only->windows[0]->from);
            }
        }

        return 0 === $people ? null : new Leak('names-hidden', $item, $other, null, $people, $at);
    }

    /** That a unit opens while nothing to hand in that stands in it does, though something will. */
    private function unitFirst(Item $unit, Spans $while): ?Leak
    {
        $tasks = array_filter(
            $this->items,
            static fn(Item $item): bool => $unit->id === $item->unit && $item->kind->handsIn(),
        );
        $people = 0;
        $at = Time::FOREVER;
        $first = null;
        foreach ($this->alikeBefore([$unit->id, ...array_column($tasks, 'id')]) as [$key, $many]) {
            if ($this->kinds[$key]->makes) {
                continue;
            }
            $opens = $this->spans($unit->id, $key)->and($while)->first(Time::BEGINNING);
            $begin = [];
            foreach ($tasks as $task) {
                $begins = $this->spans($task->id, $key)->and($while)->first(Time::BEGINNING);
                $begin += null === $begins ? [] : [$begins => $task->id];
            }
            if (null !== $opens && [] !== $begin && $opens < min(array_keys($begin))) {
                $people += $many;
                $at = min($at, $opens);
                $first ??= $begin[min(array_keys($begin))];
            }
        }

        return null === $first ? null : new Leak('unit-first', $unit->id, $first, null, $people, $at);
    }

    /** That the learners of a section see nothing to hand in. */
    private function idle(string $section, Spans $while): ?Leak
    {
        $people = 0;
        foreach ($this->learners() as $key => $viewer) {
            if (!\in_array($section, $viewer->sections, true)) {
                continue;
            }
            $people += $this->many[$key];
            foreach ($this->items as $item) {
                if ($item->kind->handsIn() && !$this->spans($item->id, $key)->and($while)->isNever()) {
                    return null;
                }
            }
        }
        $any = array_filter($this->items, static fn(Item $item): bool => $item->kind->handsIn());

        return 0 === $people || [] === $any
            ? null
            : new Leak('nothing-to-hand-in', null, null, $section, $people, $while->windows[0]->from ?? null);
    }

    /** @return array<string, Viewer> those who do not make items, by their key */
    private function learners(): array
    {
        return array_filter($this->kinds, static fn(Viewer $viewer): bool => !$viewer->makes);
    }

    /**
     * One of each kind of people between whom some items make a difference, and how many they are.
     *
     * @param list<string> $items ids
     *
     * @return array<string, array{string, int}> the key of a kind, and people
     */
    private function alikeBefore(array $items): array
    {
        $alike = [];
        foreach ($this->many as $key => $many) {
            $holds = '';
            foreach ($items as $item) {
                $holds .= ' '.($this->holding[$item][$key] ??= $this->holds($item, $key));
            }
            $alike[$holds] = [$key, ($alike[$holds][1] ?? 0) + $many];
        }

        return $alike;
    }

    /** Which parts of an item's sentence, and of its unit's, hold of a kind of people. */
    private function holds(string $item, string $key): string
    {
        if ($this->kinds[$key]->makes) {
            return 'm';
        }
        $are = $this->are[$key] ??= [
            VisibilityKind::Sections->value => array_fill_keys($this->kinds[$key]->sections, true),
            VisibilityKind::Groups->value => array_fill_keys($this->kinds[$key]->groups, true),
            VisibilityKind::Roles->value => array_fill_keys($this->kinds[$key]->roles, true),
            VisibilityKind::Labels->value => array_fill_keys($this->kinds[$key]->labels, true),
        ];
        $holds = '';
        foreach ($this->atoms[$item] ??= $this->atomsOf($item) as [$kind, $names]) {
            $holds .= [] === array_intersect_key($names, $are[$kind]) ? '0' : '1';
        }

        return $holds;
    }

    /** @return list<array{string, array<string, true>}> sorts and names */
    private function atomsOf(string $item): array
    {
        $atoms = [];
        foreach ([$item, $this->items[$item]->unit ?? ''] as $each) {
            foreach (($this->visibilities[$each] ?? null)?->atoms() ?? [] as $atom) {
                $folded = VisibilityKind::Labels === $atom->kind
                    ? array_map(mb_strtolower(...), $atom->names)
                    : $atom->names;
                $atoms[] = [$atom->kind->value, array_fill_keys($folded, true)];
            }
        }

        return $atoms;
    }

    private function spans(string $item, string $key): Spans
    {
        $holds = $this->holding[$item][$key] ??= $this->holds($item, $key);

        return $this->spans[$item][$holds] ??= $this->spansOf($item, $this->kinds[$key]);
    }
}
