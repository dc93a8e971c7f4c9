<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Comparison;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Window;

/**
 * What no change may break, by whatever path: authority over the roles involved at every instant to come, seats, the
 * limit of leads, and that an open site has a lead, now and later.
 */
class Laws
{
    /** Codes of notes that there is no seat: at no time, from an instant on, or until one only. */
    public const NO_SEAT = ['no-seat', 'seat-later', 'seat-until'];

    /**
     * @param list<Effect> $effects  that lead from one to the other
     * @param bool         $leadEnds whether it was said on purpose that the site will have no lead from a day on
     *
     * @return array{Verdict, list<Note>, list<Note>} verdict, reasons, cautions
     */
    public function judge(
        ChangeContext $situation,
        Timeline $before,
        Timeline $after,
        array $effects = [],
        bool $leadEnds = false,
    ): array {
        $change = new Comparison($before, $after, $situation->now);
        $refusal =
            $this->lifting($situation, $effects)
            ?? ($this->ofOneself($situation, $change)
                ?? ($this->giving($situation, $before, $change)
                    ?? ($this->taking($situation, $before, $change) ?? $this->leadsFull($situation, $before, $after))));
        if (null !== $refusal) {
            return [Verdict::Refused, [$refusal], []];
        }
        $gap = $this->gap($situation, $before, $after);
        if (null !== $gap && ('last-lead' === $gap->code || !$leadEnds)) {
            return ['last-lead' === $gap->code ? Verdict::Refused : Verdict::NeedsChoice, [$gap], []];
        }
        $noSeat = $this->seats($situation, $before, $after);
        if (null !== $noSeat) {
            return [Verdict::WaitsForSeat, [$noSeat], []];
        }

        return [Verdict::Ready, [], $this->cautions($situation, $after, $gap)];
    }

    /**
     * What somebody higher set is lifted by somebody at least as high.
     *
     * @param list<Effect> $effects
     */
    protected function lifting(ChangeContext $situation, array $effects): ?Note
    {
        foreach ($effects as $effect) {
            if (EffectKind::EndOverride === $effect->kind && null === $effect->grantId) {
                $origin = $effect->override?->origin;
                $set = array_filter(
                    $situation->enrollment->overrides,
                    static fn(Override $override): bool => $override->origin === $origin,
                );
                $height = max([0, ...array_map(static fn(Override $override): int => $override->height, $set)]);
                if ($height > $situation->actor->height()) {
                    return new Note('set-from-above', ['what' => $effect->override?->kind->value]);
                }
            }
        }

        return null;
    }

    /** Nobody raises, lengthens, resumes or frees themselves. */
    protected function ofOneself(ChangeContext $situation, Comparison $change): ?Note
    {
        $actor = $situation->actor;
        $gained = $actor->personId === $situation->person->id && !$actor->administrator ? $change->gained() : [];
        $permissions = static fn(array $roles): array => array_map(
            static fn(Permission $permission): string => $permission->value,
            $situation->roles->permissions(array_values(array_filter($roles, is_string(...))), $situation->person),
        );
        if ([] === $gained || $change->raisesNothing($permissions)) {
            return null;
        }

        return new Note('not-to-yourself', [
            'role' => $gained[0],
            'givers' => $situation->roles->find($gained[0])->givenBy ?? [],
        ]);
    }

    /** Roles that are gained at any instant to come must be the actor's to give. */
    protected function giving(ChangeContext $situation, Timeline $before, Comparison $change): ?Note
    {
        $had = $this->rolesFrom($before, $situation->now);
        foreach ($change->gained() as $role) {
            // What somebody has already they may hold; to give more of it is the giver's right or not.
            if (\in_array($role, $had, true)) {
                if (!$situation->roles->mayTake($role, $situation->actor, $situation->person)) {
                    $givers = $situation->roles->find($role)->givenBy ?? [];

                    return new Note('not-yours-to-give', ['role' => $role, 'givers' => $givers]);
                }
                continue;
            }
            $verdict = $situation->roles->mayGive($role, $situation->actor, $situation->person, $situation->site);
            if (!$verdict->allowed) {
                return new Note($verdict->code, [...$verdict->values, 'role' => $role, 'givers' => $verdict->givers]);
            }
        }

        return null;
    }

    /** Whoever takes anything from another must be able to take every role they have or will have. */
    protected function taking(ChangeContext $situation, Timeline $before, Comparison $change): ?Note
    {
        foreach ([] === $change->lost() ? [] : $this->rolesFrom($before, $situation->now) as $role) {
            if (!$situation->roles->mayTake($role, $situation->actor, $situation->person)) {
                $givers = $situation->roles->find($role)->givenBy ?? [];

                return new Note('not-yours-to-take', ['role' => $role, 'givers' => $givers]);
            }
        }

        return null;
    }

    private function leadsFull(ChangeContext $situation, Timeline $before, Timeline $after): ?Note
    {
        $leads = new Leads($situation->roles);
        $now = $situation->now;
        $more = $leads->counts($after, $now) && !$leads->counts($before, $now);

        return $more && \count($situation->otherLeads) >= $situation->site->leadLimit
            ? new Note('leads-full', ['limit' => $situation->site->leadLimit])
            : null;
    }

    /** That nobody would lead the site from an instant of its open life on, at which somebody does now. */
    protected function gap(ChangeContext $situation, Timeline $before, Timeline $after): ?Note
    {
        $now = $situation->now;
        $site = $situation->site;
        $life = new Window(max($now, min($site->opensAt, $site->closesAt)), max($now, $site->closesAt));
        $leads = new Leads($situation->roles);
        $account = $situation->person->accountClosedFrom;
        $gap = $leads->firstGap([...$situation->otherLeads, [$after, $account]], $life);
        $was = $leads->firstGap([...$situation->otherLeads, [$before, $account]], $life);

        return match (true) {
            null === $gap, null !== $was && $gap >= $was => null,
            $gap <= $now => new Note('last-lead'),
            default => new Note('lead-ends', ['at' => $gap]),
        };
    }

    /** A seat must be free in every instant in which one is held that was not held before. */
    private function seats(ChangeContext $situation, Timeline $before, Timeline $after): ?Note
    {
        $seats = $situation->site->seats;
        if (null === $seats) {
            return null;
        }
        foreach (SeatsHeld::gained($before, $after, $situation->roles, $situation->now) as $window) {
            $held = $situation->seats->most($window->from, $window->until);
            if ($held >= $seats) {
                $values = ['seats' => $seats, 'held' => $held];
                $full = $situation->seats->fullFrom($seats, $window->from, $window->until);
                $free = $situation->seats->freeFrom($seats, $window->from, $window->until);

                return match (true) {
                    $full > $window->from => new Note('seat-until', $values + ['at' => $full]),
                    null !== $free => new Note('seat-later', $values + ['at' => $free]),
                    default => new Note('no-seat', $values),
                };
            }
        }

        return null;
    }

    /** @return list<Note> */
    private function cautions(ChangeContext $situation, Timeline $after, ?Note $gap): array
    {
        $here = true === $after->at($situation->now)?->state->here();
        $closed = $here && !$situation->person->accountOpen($situation->now);

        return [...$closed ? [new Note('account-closed')] : [], ...null === $gap ? [] : [$gap]];
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
