<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\Cohort;
use MintDoor\Cohorts\Repository\Cohorts;
use MintDoor\People\Repository\Directory;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;

/**
 * Who may do what with cohorts: those of a division are kept by its administrators, and used by whoever has it within
 * reach. Who uses one sees who belongs to it. For others it is not there.
 */
final readonly class CohortRights
{
    public function __construct(private Cohorts $cohorts, private Directory $directory) {}

    /** @param ?string $division code; null for the whole platform */
    public function keeps(Caller $caller, ?string $division): bool
    {
        return null === $division ? $caller->platformAdministrator : $caller->administers($division);
    }

    public function uses(Caller $caller, Cohort $cohort): bool
    {
        if (Cohort::SHARED === $cohort->kind) {
            return false;
        }
        if ($this->keeps($caller, $cohort->division?->code)) {
            return true;
        }
        if ('staff' !== $caller->kind) {
            return false;
        }
        $reach = $this->directory->reachOf($caller);

        return $reach->everything || \in_array($cohort->division?->code, $reach->divisions, true);
    }

    /** @return list<Cohort> by name */
    public function all(Caller $caller): array
    {
        return array_values(
            array_filter($this->cohorts->there(), fn(Cohort $cohort): bool => $this->uses($caller, $cohort)),
        );
    }

    /** @throws Problem of type `NotFound` */
    public function used(string $id, Caller $caller): Cohort
    {
        $cohort = $this->cohorts->one($id);

        return null !== $cohort && $this->uses($caller, $cohort) ? $cohort : throw Problem::notFound('cohort');
    }

    /** @throws Problem of type `NotFound`, or `NotAllowed` for whoever only uses it */
    public function kept(string $id, Caller $caller): Cohort
    {
        $cohort = $this->used($id, $caller);

        return $this->keeps($caller, $cohort->division?->code)
            ? $cohort
            : throw Problem::notAllowed(
                'cohorts.not-keep'
            );
    }

    /** @throws Problem of type `NotAllowed` for whoever keeps none and uses none */
    public function mustUseAny(Caller $caller): void
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('cohorts.only-staff');
        }
    }
}
