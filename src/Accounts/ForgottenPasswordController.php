<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Shared\Answer;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Throttle;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Routing\Attribute\Route;

/**
 * Asks for a link to set a new password. Whoever asks is told the same whether or not there is such an account, and as
 * fast: it is looked up by a worker, later.
 */
final readonly class ForgottenPasswordController
{
    private const WINDOW = 900;

    private const MOST_PER_ACCOUNT = 3;

    private const MOST_PER_ADDRESS = 30;

    public function __construct(private Throttle $throttle, private MessageBusInterface $bus, private Ids $ids) {}

    #[Route('/forgotten-password', name: 'forgotten_password', methods: ['POST'])]
    public function ask(#[MapRequestPayload] ForgottenPasswordRequest $body, Request $request): Response
    {
        if (
            !$this->throttle
                ->hit('forgotten from '.$request->getClientIp(), self::MOST_PER_ADDRESS, self::WINDOW)
                ->isAccepted()
        ) {
            throw new Problem(
                ProblemType::TooManyTries,
                'shared.too-many-tries-wait-quarter',
                retryAfter: self::WINDOW,
            );
        }
        $login = mb_strtolower(trim($body->login));
        // Somebody else's mailbox is not to be filled; nothing tells that it was not.
        if ($this->throttle->hit('forgotten '.$login, self::MOST_PER_ACCOUNT, self::WINDOW)->isAccepted()) {
            $this->bus->dispatch(new ForgottenPassword($login, $this->ids->next()));
        }

        return new Answer(['asked' => true], Response::HTTP_ACCEPTED);
    }
}
