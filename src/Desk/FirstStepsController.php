<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\FirstStep;
use MintDoor\Core\Platform\FirstStepState;
use MintDoor\Platform\Repository\FirstStepsSaid;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\EnumRequirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What a platform needs before its first class, and how far that is. */
final readonly class FirstStepsController
{
    private const MAY = 'desk.only-platform-administrator-sets';

    public function __construct(
        private FirstStepsQuery $steps,
        private FirstStepsSaid $said,
        private PlatformClock $clock,
        private Transaction $transaction,
    ) {}

    #[Route('/first-steps', name: 'first_steps', methods: ['GET'])]
    public function steps(#[CurrentUser] Caller $caller): Response
    {
        $caller->mustAdministerPlatform(self::MAY);

        return new Answer(FirstStepsAnswer::of($this->steps->now()));
    }

    /** Says that a step is done, left out, or to be done after all. */
    #[Route(
        '/first-steps/{step}',
        name: 'say_first_step',
        requirements: ['step' => new EnumRequirement(FirstStep::class)],
        methods: ['PUT'],
    )]
    public function say(
        FirstStep $step,
        #[MapRequestPayload] FirstStepRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);

        return $this->transaction->run($request, $caller, [], function () use ($step, $body, $caller): Answer {
            $this->said->say($step, FirstStepState::from($body->state), $this->clock->instant(), $caller->id);

            return new Answer(FirstStepsAnswer::of($this->steps->now()));
        });
    }
}
