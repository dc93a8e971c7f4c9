<?php

declare(strict_types=1);

namespace MintDoor\Platform\Repository;

use MintDoor\Core\Platform\FirstStep;
use MintDoor\Core\Platform\FirstStepState;
use MintDoor\Platform\Entity\FirstStepSaid;
use MintDoor\Shared\BaseRepository;

/**
 * What was said of the first steps.
 *
 * @extends BaseRepository<FirstStepSaid>
 */
final class FirstStepsSaid extends BaseRepository
{
    protected const ENTITY = FirstStepSaid::class;

    /** @return array<string, FirstStepState> by step */
    public function said(): array
    {
        $said = [];
        foreach ($this->findAll() as $each) {
            $said[$each->step] = FirstStepState::from($each->state);
        }

        return $said;
    }

    /** @param string $by id of a person */
    public function say(FirstStep $step, FirstStepState $state, int $at, string $by): void
    {
        $said = $this->find($step->value);
        if (FirstStepState::Open === $state) {
            null === $said || $this->remove($said);
        } elseif (null === $said) {
            $this->add(new FirstStepSaid($step->value, $state->value, $at, $by));
        } else {
            [$said->state, $said->saidAt, $said->saidBy] = [$state->value, $at, $by];
        }
        $this->flush();
    }
}
