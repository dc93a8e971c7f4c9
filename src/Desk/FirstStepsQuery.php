<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\FirstStep;
use MintDoor\Core\Platform\FirstSteps;
use MintDoor\Core\Platform\FirstStepState;
use MintDoor\Messages\Carrier;
use MintDoor\People\Repository\People;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\FirstStepsSaid;
use MintDoor\Roles\Roles;
use MintDoor\Sites\Repository\Sites;

/** How far a platform is, by what was said and by what is there. */
final readonly class FirstStepsQuery
{
    public function __construct(
        private FirstStepsSaid $said,
        private PlatformSettings $settings,
        private Roles $roles,
        private Carrier $carrier,
        private People $people,
        private Sites $sites,
    ) {}

    public function now(): FirstSteps
    {
        $said = $this->said->said();
        $done = array_filter($said, static fn(FirstStepState $state): bool => FirstStepState::Done === $state);
        // A platform that has them behind it is not looked at any more.
        if (\count($done) === \count(FirstStep::cases())) {
            return new FirstSteps([], $said);
        }
        $settings = $this->settings->read();
        $offered = static fn(Division $division): bool => !$division->retired;
        $shown = [
            FirstStep::Name->value => $this->settings->isNamed(),
            FirstStep::Divisions->value => \count(array_filter($settings->divisions->all(), $offered)) > 1,
            FirstStep::Terms->value => [] !== $settings->terms,
            FirstStep::Numbers->value => [] !== $this->roles->rules()->numbers,
            FirstStep::Mail->value => $this->carrier->isChosen(),
            FirstStep::People->value => $this->people->moreThanOne(),
            FirstStep::Site->value => $this->sites->any(),
        ];

        return new FirstSteps(
            array_values(
                array_filter(FirstStep::cases(), static fn(FirstStep $step): bool => $shown[$step->value] ?? false),
            ),
            $said,
        );
    }
}
