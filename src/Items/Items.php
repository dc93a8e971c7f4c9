<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Items\Audience;
use MintDoor\Core\Items\Item;
use MintDoor\Core\Items\Viewer;
use MintDoor\Core\Items\Visibility;
use MintDoor\Core\Items\VisibilityKind;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Entry;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Window;
use MintDoor\Items\Repository\ItemVisibilities;
use MintDoor\Items\Repository\NamedVisibilities;
use MintDoor\Items\Repository\Viewers;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Fragment;

/** The items of a site before its people, as the core wants them. */
final readonly class Items
{
    public function __construct(
        private ItemSource $source,
        private ItemVisibilities $kept,
        private NamedVisibilities $named,
        private Viewers $viewers,
        private Roles $roles,
    ) {}

    public function of(SiteAccess $access): SiteItems
    {
        $site = $access->site->id;
        $zone = $access->zone();
        $items = array_column($this->source->items($site), null, 'id');
        $named = $this->named->of($site);
        $sentences = [];
        foreach ($named as $id => $each) {
            $sentences[$id] = VisibilityCodec::read($each->sentence, $zone);
        }
        $kept = array_intersect_key($this->kept->of($site), $items);
        $visibilities = [];
        foreach ($kept as $item => $each) {
            $visibilities[$item] = null === $each->named
                ? VisibilityCodec::read($each->sentence ?? ['kind' => 'everybody'], $zone)
                : $sentences[$each->named->id] ?? Visibility::everybody();
        }

        return new SiteItems($items, $kept, $named, $visibilities, $sentences);
    }

    /**
     * Everybody who is current at an instant.
     *
     * @param list<Visibility> $sentences whose labels and groups matter
     *
     * @return array<string, ViewerRow> by id, by name
     */
    public function people(
        SiteAccess $access,
        int $at,
        array $sentences,
        Fragment $seen = new Fragment('1 = 1', []),
    ): array {
        return $this->viewers->at(
            $access->site->id,
            $at,
            self::named($sentences, VisibilityKind::Labels),
            self::named($sentences, VisibilityKind::Groups),
            $seen,
        );
    }

    /**
     * What people are before the items; those are left out who could not enter the site then.
     *
     * @param array<string, ViewerRow> $people by id
     *
     * @return array<string, Viewer> by id
     */
    public function viewers(SiteAccess $access, array $people, int $at): array
    {
        $alike = $viewers = [];
        foreach ($people as $id => $row) {
            $key = implode(' ', [
                ...$row->roles,
                '/',
                ...$row->sections,
                '/',
                $row->kind,
                $row->division,
                $row->level,
                $row->ownKind,
            ]);
            if (!\array_key_exists($key, $alike)) {
                $kind = PersonKind::from($row->kind);
                $person = new Person($id, $kind, $row->division, $row->level, own: $row->ownKind);
                $segment = new Segment(new Window(), State::Current, $row->roles, true, $at, $row->sections);
                $alike[$key] = $this->viewer($access->site, $person, new Timeline([$segment]), $at);
            }
            $one = $alike[$key];
            if (null !== $one) {
                $one = [] === $row->labels ? $one : $one->labelled($row->labels);
                $viewers[$id] = [] === $row->groups ? $one : $one->inGroups($row->groups);
            }
        }

        return $viewers;
    }

    /**
     * @param list<Visibility> $sentences
     *
     * @return list<string> ids of the groups that they name and somebody is in
     */
    public function groupsOf(string $site, string $person, array $sentences): array
    {
        return $this->viewers->groups($site, self::named($sentences, VisibilityKind::Groups), $person)[$person] ?? [];
    }

    /** @return list<GroupOffered> the groups of a site, in their order */
    public function offered(string $site): array
    {
        return $this->viewers->offered($site);
    }

    /**
     * @param list<string> $groups ids
     *
     * @return list<string> those that are there
     */
    public function groups(string $site, array $groups): array
    {
        return $this->viewers->known($site, $groups);
    }

    /**
     * @param list<Visibility> $sentences
     *
     * @return list<string> names of a kind in any of them
     */
    private static function named(array $sentences, VisibilityKind $kind): array
    {
        $names = [];
        foreach ($sentences as $sentence) {
            array_push($names, ...$sentence->named($kind));
        }

        return array_values(array_unique($names));
    }

    /**
     * What somebody is before the items at an instant, but for their labels and groups; null where they could not enter
     * then.
     */
    public function viewer(Site $site, Person $person, Timeline $timeline, int $at): ?Viewer
    {
        $book = $this->roles->book();
        $segment = $timeline->at($at);
        if (
            State::Current !== $segment?->state
            || Entry::No === (new Access($book))->reason($timeline, $person, $site, $at)->entry
        ) {
            return null;
        }
        $makes = \in_array(Permission::MakeItems, $book->permissions($segment->roles, $person), true);

        return new Viewer($segment->sections, $segment->roles, [], $makes);
    }

    /**
     * @param array<string, Item>       $items        by id
     * @param array<string, Visibility> $visibilities by item
     * @param array<string, Viewer>     $viewers      by id
     */
    public static function audience(array $items, array $visibilities, array $viewers): Audience
    {
        return new Audience(array_values($items), $visibilities, $viewers);
    }
}
