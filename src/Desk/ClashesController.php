<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\Repository\AppliedLines;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Weeks\Attending;
use MintDoor\Core\Weeks\Clash;
use MintDoor\Core\Weeks\Clashes;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;
use MintDoor\Weeks\ClashShown;
use MintDoor\Weeks\Meetings;
use MintDoor\Weeks\Occasions;
use MintDoor\Weeks\Repository\Attendances;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who of a site is wanted in two places at once, and whose doing that is. */
final readonly class ClashesController
{
    public function __construct(
        private Gate $gate,
        private Roles $roles,
        private Meetings $meetings,
        private Attendances $attendances,
        private Occasions $occasions,
        private AppliedLines $lines,
        private People $people,
    ) {}

    #[Expensive]
    #[Route('/sites/{site}/clashes', name: 'clashes', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function clashes(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, 'desk.only-those-let-people');
        $found = $this->found($access);
        $ids = array_map(strval(...), array_keys($found));
        $people = [] === $ids ? [] : $this->people->byId($ids);
        $meant = $this->lines->meant($site, $ids);
        $shown = [];
        foreach ($found as $id => $clashes) {
            $named = $access->namesOtherSitesOf((string) $id, $people[$id]->string('person_division'));
            $seen = $named ? null : [$site => true];
            $shown[mb_strtolower(PersonRow::name($people[$id])).$id] = new ClashedPerson(
                new Somebody((string) $id, PersonRow::name($people[$id])),
                array_map(
                    fn(Clash $clash): ClashShown => new ClashShown(
                        $this->occasions->of($clash->one, $seen),
                        $this->occasions->of($clash->other, $seen),
                        $clash->times,
                    ),
                    $clashes,
                ),
                isset($meant[$id]) ? self::meant($meant[$id]) : null,
            );
        }
        ksort($shown);

        return new Answer(new ClashesAnswer(array_values($shown)));
    }

    /** @return array<string, non-empty-list<Clash>> to come, by person; of those the caller sees */
    private function found(SiteAccess $access): array
    {
        $site = $access->site->id;
        $here = $this->meetings->ofSites([$site], $access->now)[$site] ?? [];
        if ([] === $here) {
            return [];
        }
        $sight = Sights::of($access);
        $book = $this->roles->book();
        $timelines = array_filter(
            $this->attendances->inSite($site, $access->now),
            static fn(Timeline $own, string $person): bool => $sight->sees($person, $own->segments[0] ?? null, $book),
            \ARRAY_FILTER_USE_BOTH,
        );
        $elsewhere = $this->meetings->ofPeople(array_map(strval(...), array_keys($timelines)), $access->now, $site);
        $found = [];
        foreach ($timelines as $person => $timeline) {
            $mine = Attending::of($timeline, $here);
            $clashes = [...Clashes::between($mine, $elsewhere[$person] ?? []), ...Clashes::among($mine)];
            [] === $clashes || ($found[$person] = $clashes);
        }

        return $found;
    }

    private static function meant(Row $row): ClashMeant
    {
        return new ClashMeant(
            new Somebody($row->id('made_by'), PersonRow::name($row)),
            (string) Instant::toJson($row->instant('made_at')),
            $row->stringOrNull('why'),
        );
    }
}
