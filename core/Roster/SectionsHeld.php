<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** How the sections of a site that have seats of their own are held, by everybody. */
final readonly class SectionsHeld
{
    /** @param array<string, SeatsHeld> $held by id of the section; one that is missing is held by nobody */
    public function __construct(private int $from, private array $held = []) {}

    public function of(string $section): SeatsHeld
    {
        return $this->held[$section] ?? SeatsHeld::none($this->from);
    }

    /** Seats that nobody holds at any instant of a stretch; null where a section has no limit of its own. */
    public function free(Section $section, int $from = Time::BEGINNING, int $until = Time::FOREVER): ?int
    {
        return null === $section->seats ? null : $section->seats - $this->of($section->id)->most($from, $until);
    }

    /** @param array<string, int> $kept seats that are kept for somebody who has not come yet, by id of the section */
    public function keeping(array $kept): self
    {
        $held = $this->held;
        foreach ($kept as $section => $seats) {
            $held[$section] = $this->of((string) $section)->with([new Window($this->from)], $seats);
        }

        return new self($this->from, $held);
    }

    /** With somebody's timeline in place of the one of before. */
    public function changed(Timeline $before, Timeline $after, RoleBook $roles): self
    {
        $held = $this->held;
        foreach (self::among($before, $after) as $section) {
            $held[$section] = $this->of($section)->changed($before, $after, $roles, $section);
        }

        return new self($this->from, $held);
    }

    /** @return list<string> ids of the sections that two timelines are in at any time */
    private static function among(Timeline $before, Timeline $after): array
    {
        $sections = [];
        foreach ([...$before->segments, ...$after->segments] as $segment) {
            foreach ($segment->sections as $section) {
                $sections[$section] = true;
            }
        }

        return array_map(strval(...), array_keys($sections));
    }
}
