<?php

declare(strict_types=1);

namespace MintDoor\Core\Sheets;

use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\SiteState;
use MintDoor\Core\Time\Window;

/**
 * What no change may break, by whatever path: authority over the roles involved, seats, the limit of leads, and that an
 * open site has a lead.
 */
final readonly class Laws
{
    /** @return array{Verdict, list<Note>, list<Note>} verdict, reasons, cautions */
    public function judge(Situation $situation, Timeline $before, Timeline $after): array
    {
        $refusal = $this->authority($situation, $before, $after) ?? $this->leads($situation, $before, $after);
        if (null !== $refusal) {
            return [Verdict::Refused, [$refusal], []];
        }
        $noSeat = $this->seats($situation, $before, $after);
        if (null !== $noSeat) {
            return [Verdict::WaitsForSeat, [$noSeat], []];
        }

        return [Verdict::Ready, [], $this->cautions($situation, $before, $after)];
    }

    /** Roles that appear from now on must be the actor's to give, those that vanish the actor's to take. */
    private function authority(Situation $situation, Timeline $before, Timeline $after): ?Note
    {
        $had = $this->rolesFrom($before, $situation->now);
        $has = $this->rolesFrom($after, $situation->now);
        foreach (array_diff($has, $had) as $role) {
            $verdict = $situation->roles->mayGive($role, $situation->actor, $situation->person, $situation->site);
            if (!$verdict->allowed) {
                return new Note($verdict->code, [...$verdict->values, 'role' => $role, 'givers' => $verdict->givers]);
            }
        }
        foreach (array_diff($had, $has) as $role) {
            if (!$situation->roles->mayTake($role, $situation->actor, $situation->person)) {
                return new Note('not-yours-to-take', ['role' => $role, 'givers' => $situation->roles->find($role)->givenBy ?? []]);
            }
        }

        return null;
    }

    private function leads(Situation $situation, Timeline $before, Timeline $after): ?Note
    {
        $leads = new Leads($situation->roles);
        $now = $situation->now;
        $counts = $leads->counts($after, $now);
        if ($counts && !$leads->counts($before, $now) && \count($situation->otherLeads) >= $situation->site->leadLimit) {
            return new Note('leads-full', ['limit' => $situation->site->leadLimit]);
        }
        $moment = new Window($now, $now + 1);
        $account = $situation->person->accountClosedFrom;
        if (SiteState::Open === $situation->site->stateAt($now)
            && null === $leads->firstGap([...$situation->otherLeads, [$before, $account]], $moment)
            && null !== $leads->firstGap([...$situation->otherLeads, [$after, $account]], $moment)) {
            return new Note('last-lead');
        }

        return null;
    }

    private function seats(Situation $situation, Timeline $before, Timeline $after): ?Note
    {
        $seats = $situation->site->seats;
        $takes = $situation->roles->holdsSeat($after->at($situation->now)) && !$situation->roles->holdsSeat($before->at($situation->now));

        return $takes && null !== $seats && $situation->seatsHeld >= $seats
            ? new Note('no-seat', ['seats' => $seats, 'held' => $situation->seatsHeld])
            : null;
    }

    /** @return list<Note> */
    private function cautions(Situation $situation, Timeline $before, Timeline $after): array
    {
        $cautions = [];
        $now = $situation->now;
        $here = true === $after->at($now)?->state->here();
        if ($here && !$situation->person->accountOpen($now)) {
            $cautions[] = new Note('account-closed');
        }
        $site = $situation->site;
        $life = new Window(max($now, min($site->opensAt, $site->closesAt)), max($now, $site->closesAt));
        $leads = new Leads($situation->roles);
        $account = $situation->person->accountClosedFrom;
        $gap = $leads->firstGap([...$situation->otherLeads, [$after, $account]], $life);
        if (null !== $gap && $gap !== $leads->firstGap([...$situation->otherLeads, [$before, $account]], $life)) {
            $cautions[] = new Note('lead-ends', ['at' => $gap]);
        }

        return $cautions;
    }

    /** @return list<string> roles held or to be held from an instant on, while here */
    private function rolesFrom(Timeline $timeline, int $now): array
    {
        $roles = [];
        foreach ($timeline->from($now)->segments as $segment) {
            if ($segment->state->here()) {
                $roles = [...$roles, ...$segment->roles];
            }
        }

        return array_values(array_unique($roles));
    }
}
