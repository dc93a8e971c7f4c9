<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Entry;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Phase;
use MintDoor\Core\Roster\Sight;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Sites\SiteRow;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Going into a site: what somebody finds behind the door, or in one sentence why it does not open. */
final readonly class Landing
{
    public function __construct(
        private Standings $standings,
        private Sections $sections,
        private SectionNumbers $numbers,
        private Gate $gate,
        private Roles $roles,
        private Enrollments $enrollments,
        private ReasonJson $reasons,
    ) {}

    #[Route('/sites/{site}/visits', name: 'visit', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function visit(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate->at($site, $caller);
        $enrollment = $access->enrollment ?? $this->enrollments->of($site, $caller->id);
        $reason = (new Access($this->roles->book()))->reason(
            $enrollment->timeline(),
            PersonRow::caller($access->caller),
            $access->site,
            $access->now,
            $enrollment,
        );
        $inside = Entry::No !== $reason->entry;
        if ($inside && null === $access->seenAs) {
            $this->enrollments->seen($site, $caller->id, $access->now);
        }
        $grants = $enrollment->grantsIn(Phase::InForce, $access->now);
        $beyond = $access->caller->division !== $access->site->division;

        $givesBack = array_filter(
            [...$grants, ...$enrollment->grantsIn(Phase::Waiting, $access->now)],
            static fn(Grant $grant): bool => $grant->mayBeGivenBack($beyond),
        );

        return new Answer(
            new LandingAnswer(
                site: SiteRow::facts($access->row, $access->now),
                reason: $this->reasons->forThePerson($reason),
                role: StandingShown::of($access->segment, $this->roles->book())?->role,
                leads: $inside ? $this->standings->namesOfLeads($site, $access->now) : [],
                sections: $inside ? $this->sections($access) : [],
                may: $access->permissions(),
                mayLeave: null === $access->seenAs && [] !== $givesBack,
            ),
        );
    }

    /** @return list<array{name: string, meets: string, leads: list<string>}> those they are in, in their order */
    private function sections(SiteAccess $access): array
    {
        $own = $access->segment->sections ?? [];
        if ([] === $own) {
            return [];
        }
        $staff = Sight::seenByAll($this->roles->book())[1];
        $leads = $this->numbers->leads($access->site->id, $staff, $access->now);
        $shown = [];
        foreach ($this->sections->all($access->site->id) as $section) {
            if (\in_array($section->id, $own, true)) {
                $shown[] = [
                    'name' => $section->name,
                    'meets' => $section->meets,
                    'leads' => array_column($leads[$section->id] ?? [], 'name'),
                ];
            }
        }

        return $shown;
    }
}
