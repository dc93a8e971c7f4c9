<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roster\Sight;
use MintDoor\Core\Time\Time;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Section;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\Repository\Sections;

/** The sections of a site as somebody sees them. */
final readonly class SectionsQuery
{
    public function __construct(
        private Sections $sections,
        private SectionNumbers $numbers,
        private Roles $roles,
    ) {}

    public function of(SiteAccess $access, ?int $entry = null): SectionsAnswer
    {
        $sight = Sight::of($access->standing);
        $numbers = $this->numbers->of($access->site->id, $access->now);
        $leads = $this->numbers->leads($access->site->id, Sight::seenByAll($this->roles->book())[1], $access->now);
        $shown = [];
        foreach ($this->seen($access) as $section) {
            $shown[] = new SectionShown(
                $section->id,
                $section->name,
                $section->seats,
                self::day($section->fromAt, $access),
                self::day($section->untilAt - 1, $access, Time::FOREVER - 1),
                $section->meets,
                $section->retired,
                $numbers[$section->id]['learners'] ?? 0,
                $numbers[$section->id]['people'] ?? 0,
                $leads[$section->id] ?? [],
            );
        }

        return new SectionsAnswer(
            $access->site->apart,
            $access->site->several,
            $sight->all() ? $numbers['']['learners'] ?? 0 : null,
            $shown,
            $access->row->int('version'),
            $entry,
        );
    }

    /** @return list<Section> those whose people somebody sees, in their order, retired ones last */
    public function seen(SiteAccess $access): array
    {
        $own = $access->standing->sections;

        return array_values(
            array_filter(
                $this->sections->all($access->site->id),
                static fn(Section $section): bool => null === $own || \in_array($section->id, $own, true),
            ),
        );
    }

    /** @return array<string, string> names of those somebody may put people into, by id */
    public function names(SiteAccess $access): array
    {
        $names = [];
        foreach ([] === $access->site->sections ? [] : $this->seen($access) as $section) {
            $section->retired || $names[$section->id] = $section->name;
        }

        return $names;
    }

    /** A day of the site's zone; null for one that never comes. */
    private static function day(int $at, SiteAccess $access, int $never = Time::BEGINNING): ?string
    {
        return $at === $never
            ? null
            : (new \DateTimeImmutable('@'.$at))->setTimezone($access->zone())->format('Y-m-d');
    }
}
