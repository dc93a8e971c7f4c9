<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Entity\Registration;
use MintDoor\Accounts\Repository\RegistrationCodes;
use MintDoor\Accounts\Repository\Registrations;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Items;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** People register themselves; administrators say yes or no, and hand out codes. */
final readonly class RegistrationController
{
    private const WINDOW = 900;

    private const MOST_PER_PLACE = 30;

    private const MOST_PER_ADDRESS = 3;

    /** Wrong codes of a division from all places, so that nobody tries them all. */
    private const MOST_PER_DIVISION = 300;

    public function __construct(
        private Registering $registering,
        private Registrations $registrations,
        private RegistrationCodes $codes,
        private Divisions $divisions,
        private People $people,
        private Throttle $throttle,
        private Transaction $transaction,
        private History $history,
        private PasswordHasherFactoryInterface $hashers,
    ) {}

    /** Where people register, and what is asked there. */
    #[Route('/register', name: 'open_divisions', methods: ['GET'])]
    public function open(): Response
    {
        return new Answer(new Items($this->registering->open()));
    }

    /** The answer is the same whether or not somebody of this address is known. */
    #[Route('/register', name: 'register', methods: ['POST'])]
    public function register(#[MapRequestPayload] RegisterRequest $body, Request $request): Response
    {
        $this->assertFew('registered from '.$request->getClientIp(), self::MOST_PER_PLACE);
        $this->assertFew('registered in '.$body->division, self::MOST_PER_DIVISION);
        // Somebody else's mailbox is not to be filled; nothing tells that it was not.
        $few = $this->throttle->hit('registered '.$body->email, self::MOST_PER_ADDRESS, self::WINDOW)->isAccepted();
        $this->transaction->run($request, Caller::nobody(), [], function () use ($body, $few): Answer {
            $this->registering->ask($body, $few);

            return new Answer(['asked' => true], Response::HTTP_ACCEPTED);
        });

        return new Answer(['asked' => true], Response::HTTP_ACCEPTED);
    }

    /** Whose link it is, and whether they choose a password now. Changes nothing. */
    #[Route('/register/look', name: 'look_at_registration', methods: ['POST'])]
    public function look(#[MapRequestPayload] RegisterTokenRequest $body, Request $request): Response
    {
        return $this->transaction->run($request, Caller::nobody(), [], function () use ($body): Answer {
            $registration = $this->registering->withToken($body->token);

            return new Answer([
                'given' => $registration->givenName,
                'division' => $registration->division->name,
                'waits' => $this->registering->waits($registration),
            ]);
        });
    }

    /** The address is theirs: they have an account, or wait for a yes. */
    #[Route('/register/confirm', name: 'confirm_registration', methods: ['POST'])]
    public function confirm(#[MapRequestPayload] RegisterTokenRequest $body, Request $request): Response
    {
        $this->assertFew('confirmed from '.$request->getClientIp(), self::MOST_PER_PLACE);

        return $this->transaction->run($request, Caller::nobody(), [], function () use ($body): Answer {
            $registration = $this->registering->withToken($body->token);
            $hash = null;
            if (!$this->registering->waits($registration)) {
                Passwords::assertGood($body->password, [$registration->givenName, $registration->familyName]);
                $hash = $this->hashers->getPasswordHasher(Caller::class)->hash($body->password);
            }
            $caller = $this->registering->confirm($registration, $hash);

            return new Answer(['login' => $caller?->login]);
        });
    }

    /** Those who wait for a yes, of the divisions one administers. */
    #[Route('/registrations', name: 'registrations', methods: ['GET'])]
    public function waiting(#[CurrentUser] Caller $caller): Response
    {
        self::assertAdministrator($caller);

        return $this->list($caller);
    }

    #[Route(
        '/registrations/{registration}',
        name: 'answer_registration',
        requirements: ['registration' => Id::PATTERN],
        methods: ['PUT'],
    )]
    public function answer(
        string $registration,
        #[MapRequestPayload] RegistrationAnswerRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        self::assertAdministrator($caller);

        return $this->transaction->run($request, $caller, [], function () use ($registration, $body, $caller): Answer {
            $one = $this->registrations->locked($registration);
            $known = null === $one ? null : $this->people->withAddress($one->email);
            $theirs = null !== $known && $caller->administers($known->division->code);
            if (null === $one?->confirmedAt || !($theirs || $caller->administers($one->division->code))) {
                throw Problem::notFound('registration');
            }
            if ($body->yes && null !== $known && !$theirs) {
                throw Problem::notAllowed('accounts.register-other-division');
            }
            $this->registering->answer($one, $body->yes, $caller);

            return $this->list($caller);
        });
    }

    /** The codes that are handed out, by division. */
    #[Route('/registration-codes', name: 'registration_codes', methods: ['GET'])]
    public function codes(#[CurrentUser] Caller $caller): Response
    {
        $caller->mustAdministerPlatform('desk.only-platform-administrator-sets');

        return new Answer(['codes' => (object) $this->codes->shown()]);
    }

    #[Route('/registration-codes/{division}', name: 'keep_registration_code', methods: ['PUT'])]
    public function code(
        string $division,
        #[MapRequestPayload] RegistrationCodeRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform('desk.only-platform-administrator-sets');
        $bare = trim($body->code);
        if ('' !== $bare && mb_strlen($bare) < 6) {
            throw Problem::field('/code', 'too-short', 'accounts.register-code-short');
        }

        return $this->transaction->run($request, $caller, [], function () use ($division, $body, $caller): Answer {
            $of = $this->divisions->withCode($division) ?? throw Problem::notFound('division');
            $this->codes->keep($of, $body->code);
            $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('registration-code-kept', ['division' => $of->code]),
            );

            return new Answer(['codes' => (object) $this->codes->shown()]);
        });
    }

    private function list(Caller $caller): Answer
    {
        $all = $this->registrations->waiting($caller->platformAdministrator ? null : $caller->divisions);

        $people = $this->people->withAddresses(
            array_map(static fn(Registration $one): string => $one->email, $all),
        );

        return new Answer(new Items(
            array_map(
                static function (Registration $one) use ($caller, $people): RegistrationShown {
                    $known = $people[$one->email] ?? null;
                    $theirs = null !== $known && $caller->administers($known->division->code);

                    return RegistrationShown::of($one, $theirs ? $known : null);
                },
                $all,
            ),
        ));
    }

    private function assertFew(string $key, int $most): void
    {
        if (!$this->throttle->hit($key, $most, self::WINDOW)->isAccepted()) {
            throw new Problem(
                ProblemType::TooManyTries,
                'shared.too-many-tries-wait-quarter',
                retryAfter: self::WINDOW,
            );
        }
    }

    private static function assertAdministrator(Caller $caller): void
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('accounts.only-administrators-answer');
        }
    }
}
