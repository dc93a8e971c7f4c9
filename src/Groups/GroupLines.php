<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\Intake\Circumstances;
use MintDoor\Core\Intake\Outcome;
use MintDoor\Core\Intake\Reading;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Text\Folding;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Intake\PeopleReader;
use MintDoor\Roster\SiteAccess;

/**
 * Reads pasted lines: whom of those who are divided each means, and which group it names. A line that is the name of a
 * group is a heading: those below it are meant for that group.
 */
final readonly class GroupLines
{
    public function __construct(
        private PeopleReader $reader,
        private SiteGroups $groups,
        private GroupPlaces $places,
    ) {}

    /** @return list<GroupLineRead> without headings */
    public function read(SiteAccess $access, GroupSplit $split, string $text): array
    {
        $names = array_map(static fn(SiteGroup $group): string => $group->name, $this->groups->of($split));
        $byName = [];
        foreach ($names as $id => $name) {
            $byName[Folding::fold($name)] = $id;
        }
        $divided = $this->places->of($split, $access->now, $access->standing->sections);
        $lines = $this->reader->lines($text, GroupLinesRequest::MOST_LINES, $names);
        $for = new Circumstances($access->site, [PersonKind::Learner], []);
        $read = [];
        $heading = [];
        foreach ($this->reader->readings($lines, $access->caller, $for, $access)->readings as $reading) {
            $named = $byName[Folding::fold(rtrim($reading->line->text, " \t:"))] ?? null;
            if (null !== $named) {
                $heading = [$named];
                continue;
            }
            $people = self::meant($reading, $divided);
            if (Outcome::NoPerson !== $reading->outcome || [] !== $people) {
                $groups = array_values(array_intersect($reading->line->sections(), array_keys($names)));
                $read[] = new GroupLineRead(
                    $reading->line->number,
                    $reading->line->text,
                    $people,
                    $groups ?: $heading,
                );
            }
        }

        return $read;
    }

    /**
     * @param array<string, ?string> $divided group by person
     *
     * @return list<string> ids, the likeliest first
     */
    private static function meant(Reading $reading, array $divided): array
    {
        $all = array_map(static fn(Candidate $each): string => $each->known->person->id, $reading->candidates);
        $people = array_values(array_filter($all, static fn(string $id): bool => \array_key_exists($id, $divided)));

        return Outcome::Match === $reading->outcome ? \array_slice($people, 0, 1) : $people;
    }
}
