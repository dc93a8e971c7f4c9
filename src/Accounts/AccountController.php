<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Caring;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Locks;
use MintDoor\Shared\Me;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\SecurityLog;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * Accounts: sign-in cards, opening and closing, ending sessions, and one's own password. What holds a password is never
 * kept by a browser.
 */
final readonly class AccountController
{
    /** Wrong ones within so many seconds. */
    private const TRIES = 10;

    private const WINDOW = 900;

    public function __construct(
        private Accounts $accounts,
        private Caring $caring,
        private Notices $notices,
        private Me $me,
        private AccountRecords $records,
        private Transaction $transaction,
        private History $history,
        private PasswordHasherFactoryInterface $hashers,
        private CallerProvider $callers,
        private TokenStorageInterface $tokens,
        private Throttle $throttle,
        private SecurityLog $log,
        private Roles $roles,
        private Locks $locks,
    ) {}

    /**
     * Passwords are shown in the answer and nowhere after it; so an idempotency key would keep them, and none is taken.
     */
    #[Expensive(from: 4_096)]
    #[Route('/sign-in-cards', name: 'sign_in_cards', methods: ['POST'])]
    public function cards(
        #[MapRequestPayload] CardsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('accounts.only-staff-make-sign');
        }
        $request->headers->remove('Idempotency-Key');

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer([
                'cards' => $this->accounts->cards(
                    $body->people,
                    $body->once,
                    $body->days ?? $this->roles->limits()->cardDays,
                    $caller,
                ),
            ]),
        );
    }

    #[Route(
        '/people/{person}/account',
        name: 'change_account',
        requirements: ['person' => Id::PATTERN],
        methods: ['PUT'],
    )]
    public function account(
        string $person,
        #[MapRequestPayload] AccountRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer($this->accounts->open($person, $body->open, $body->apply, $caller)),
        );
    }

    /** Whether somebody chooses another password when they sign in next. */
    #[Route(
        '/people/{person}/password-wanted',
        name: 'want_password',
        requirements: ['person' => Id::PATTERN],
        methods: ['PUT', 'DELETE'],
    )]
    public function wantPassword(string $person, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($person, $request, $caller): Answer {
            $this->locks->people([$person], alone: true);
            $this->caring->assertMay($person, $caller);
            $wanted = $request->isMethod('PUT');
            $account = $this->records->locked($person);
            if (null !== $account?->passwordHash) {
                $account->mustChange = $wanted;
                $this->records->flush();
            }
            $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('password-wanted', ['wanted' => $wanted], $person),
            );
            $wanted && $this->tell($person, 'password-wanted', $caller);

            return new Answer(['wanted' => $wanted]);
        });
    }

    #[Route(
        '/people/{person}/sessions',
        name: 'end_sessions',
        requirements: ['person' => Id::PATTERN],
        methods: ['DELETE'],
    )]
    public function endSessions(string $person, Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($person, $caller): Answer {
            $this->locks->people([$person], alone: true);
            $this->caring->assertMay($person, $caller);
            $ended = $this->accounts->endSessions($person);
            $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('sessions-ended', ['n' => $ended], $person),
            );
            $this->tell($person, 'sessions-ended', $caller);

            return new Answer(['ended' => $ended]);
        });
    }

    /** One's own password, by the current one. Other sessions of before are over, as their password is. */
    #[Route('/me/password', name: 'change_password', methods: ['PUT'])]
    public function password(
        #[MapRequestPayload] PasswordRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        if ($this->throttle->reached('passwords of '.$caller->id, self::TRIES)) {
            throw new Problem(
                ProblemType::TooManyTries,
                'accounts.wrong-too-often-wait',
                retryAfter: self::WINDOW,
            );
        }
        $hasher = $this->hashers->getPasswordHasher(Caller::class);
        if (!$hasher->verify((string) $caller->getPassword(), $body->present)) {
            $this->throttle->hit('passwords of '.$caller->id, self::TRIES, self::WINDOW);
            throw Problem::field('/present', 'wrong', 'accounts.not-current-password');
        }
        if (hash_equals($body->present, $body->password)) {
            throw Problem::field('/password', 'same', 'accounts.password-choose-another');
        }
        Passwords::assertGood($body->password, Passwords::own($this->accounts->row($caller->id)));
        $request->headers->remove('Idempotency-Key');

        return $this->transaction->run($request, $caller, [], function () use (
            $body,
            $hasher,
            $request,
            $caller,
        ): Answer {
            $this->locks->people([$caller->id], alone: true);
            $account = $this->records->locked($caller->id);
            if ($account?->passwordHash !== $caller->getPassword()) {
                throw new Problem(ProblemType::ChangedSince, 'accounts.password-changed-meantime-sign');
            }

            $account?->setPassword($hasher->hash($body->password));
            $this->records->flush();
            // Sessions that were made with the password of before are over; this one goes on.
            $fresh = $this->callers->byId($caller->id);
            $this->tokens->getToken()?->setUser($fresh);
            $request->getSession()->migrate(true);
            $this->throttle->forget('passwords of '.$caller->id);
            $this->log->note('password-set', $caller->id, by: $caller->id);

            return new Answer($this->me->of($fresh));
        });
    }

    private function tell(string $person, string $code, Caller $by): void
    {
        $this->notices->tell([new AccountNews($this->accounts->row($person), $code)], $by);
    }
}
