<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use MintDoor\Core\Items\Item;
use MintDoor\Core\Items\ItemKind;
use MintDoor\Items\ItemSource;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\WorkMeter;

/**
 * A neighbour that makes the items of a site up, always the same: what there is to hand in, in units of a few weeks,
 * each with something to read and a meeting of each section; those of the first are named in a list.
 */
final class SimulatedItems implements ItemSource
{
    private const A_UNIT = 4;

    /** @var array<string, list<Item>> */
    private array $items = [];

    public function __construct(private readonly WorkMeter $meter, private readonly Sections $sections) {}

    public function items(string $siteId): array
    {
        return $this->items[$siteId] ??= $this->made($siteId);
    }

    /** @return list<Item> */
    private function made(string $siteId): array
    {
        $items = [
            new Item('welcome', ItemKind::Announcement, 'Welcome and what we expect'),
            new Item('questions', ItemKind::Discussion, 'Questions and answers'),
        ];
        $sections = [];
        foreach ($this->sections->offered($siteId) as $section) {
            $sections[$section->id] = $section->name;
        }
        foreach (array_chunk($this->meter->items($siteId), self::A_UNIT) as $n => $tasks) {
            $number = $n + 1;
            $unit = 'unit-'.$number;
            $meetings = [];
            foreach ([] === $sections ? ['all' => ''] : $sections as $id => $name) {
                $title = '' === $name ? "Meeting, part $number" : "Meeting of $name, part $number";
                $meetings[] = new Item("meeting-$number-$id", ItemKind::Meeting, $title, $unit);
            }
            array_push(
                $items,
                new Item($unit, ItemKind::Unit, "Part $number"),
                0 === $n
                    ? new Item('list-1', ItemKind::Announcement, 'All meetings', $unit, array_column($meetings, 'id'))
                    : new Item('read-'.$number, ItemKind::Announcement, "What part $number is about", $unit),
                ...$meetings,
            );
            foreach ($tasks as $k => $title) {
                $kind = str_contains($title, 'Dictation') ? ItemKind::Quiz : ItemKind::Task;
                $items[] = new Item('task-'.(self::A_UNIT * $n + $k + 1), $kind, $title, $unit);
            }
        }

        return $items;
    }
}
