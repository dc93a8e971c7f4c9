<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\Cause;
use MintDoor\Core\Roster\Entry;
use MintDoor\Core\Roster\Reason;
use MintDoor\Core\Time\Window;

/**
 * Everything that keeps somebody out, found by fixing it step by step: what stands behind a block or a removing
 * shows only once that is gone. The changes of the causes, made in their order, let the person in, and none of them can
 * be left out.
 */
final readonly class FixPlanner
{
    private const VERBS = [
        'lift' => Verb::Unblock,
        'resume' => Verb::Resume,
        'bring-back' => Verb::BringBack,
        'move-start' => Verb::ChangeDates,
        'let-in' => Verb::LetIn,
    ];

    private const MOST_STEPS = 6;

    public function __construct(private LineComputer $computer) {}

    /** The reason of a person, with every cause that would have to go. */
    public function reason(ChangeContext $context): Reason
    {
        $access = new Access($context->roles);
        $of = static fn(ChangeContext $s): Reason => $access->reason(
            $s->enrollment->timeline(),
            $s->person,
            $s->site,
            $s->now,
            $s->enrollment,
        );
        $first = $reason = $of($context);
        if (Entry::No !== $first->entry) {
            return $first;
        }
        $causes = [];
        for ($step = 0; $step < self::MOST_STEPS && Entry::No === $reason->entry; ++$step) {
            $cause =
                array_values(
                    array_filter($reason->causes, static fn(Cause $cause): bool => isset(self::VERBS[$cause->change])),
                )[0] ?? null;
            if (null === $cause) {
                break;
            }
            $causes[] = $cause;
            $line = $this->fixed($context, $cause);
            if (null === $line || Verdict::Ready !== $line->verdict) {
                array_push($causes, ...$this->further($line));
                break;
            }
            $context = $context->with($line->result);
            $reason = $of($context);
        }
        $left = Entry::No === $reason->entry ? $reason->causes : [];
        $others = array_filter(
            [...$left, ...$first->causes],
            static fn(Cause $cause): bool => !isset(self::VERBS[$cause->change]),
        );
        $all = array_values(array_column([$first->deciding(), ...$causes, ...$others], null, 'code'));

        return [] === $all ? $first : new Reason(Entry::No, $all);
    }

    /** Somebody who may do everything fixes it; who may really do so is said by the cause. */
    private function fixed(ChangeContext $context, Cause $cause): ?ComputedChange
    {
        $all = new Standing('', true);
        $role =
            'let-in' === $cause->change ? $context->roles->suggest($all, $context->person, $context->site) : null;
        if ('let-in' === $cause->change && null === $role) {
            return null;
        }

        return $this->computer->compute(
            $context->by($all),
            new Wanted(
                self::VERBS[$cause->change],
                $role,
                'move-start' === $cause->change ? new Window($context->now) : null,
            ),
        );
    }

    /** @return list<Cause> what a change would come up against */
    private function further(?ComputedChange $line): array
    {
        $note = $line?->reasons[0] ?? null;

        return \in_array($note?->code, Laws::NO_SEAT, true)
            ? [new Cause('no-seat', $note->values, 'more-seats', Permission::RunSite)]
            : [];
    }
}
