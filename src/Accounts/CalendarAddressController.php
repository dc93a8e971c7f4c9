<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Repository\CalendarAddresses;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\SecurityLog;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
use MintDoor\Weeks\CalendarWriter;
use MintDoor\Weeks\Meetings;
use MintDoor\Weeks\Occasions;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * One's week as a calendar that other programs fetch: at a secret address that is shown once, and renewed when it may
 * have become known.
 */
final readonly class CalendarAddressController
{
    private const AT = '/me/calendar-address';

    /** Seconds of what is over that the calendar still has. */
    private const BEFORE = 31 * 86_400;

    /** Addresses that are none, from one place. */
    private const MOST_WRONG = 60;

    private const WINDOW = 900;

    public function __construct(
        private CalendarAddresses $addresses,
        private CallerProvider $callers,
        private Meetings $meetings,
        private Occasions $occasions,
        private CalendarWriter $calendar,
        private PlatformClock $clock,
        private SecurityLog $log,
        private Throttle $throttle,
        private Transaction $transaction,
    ) {}

    #[Route(self::AT, name: 'calendar_address', methods: ['GET'])]
    public function shown(#[CurrentUser] Caller $caller): Response
    {
        return new Answer($this->answer($caller));
    }

    #[Route(self::AT, name: 'renew_calendar_address', methods: ['POST'])]
    public function renew(Request $request, #[CurrentUser] Caller $caller): Response
    {
        $token = rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');

        return $this->transaction->run($request, $caller, [], function () use ($caller, $token): Answer {
            $this->addresses->renew($caller->id, $token, $this->clock->instant());
            $this->log->note('calendar-address-made', $caller->id, by: $caller->id);

            return new Answer($this->answer($caller, "/api/v1/calendars/$token.ics"), Response::HTTP_CREATED);
        });
    }

    #[Route(self::AT, name: 'drop_calendar_address', methods: ['DELETE'])]
    public function drop(Request $request, #[CurrentUser] Caller $caller): Response
    {
        return $this->transaction->run($request, $caller, [], function () use ($caller): Answer {
            $this->addresses->dropOf($caller->id);
            $this->log->note('calendar-address-dropped', $caller->id, by: $caller->id);

            return new Answer(new CalendarAddressAnswer(null));
        });
    }

    /** For whoever has the address, and nobody else: no session, no cookie. */
    #[Route('/calendars/{token}.ics', name: 'calendar', requirements: ['token' => '[\w-]{43}'], methods: ['GET'])]
    public function calendar(#[\SensitiveParameter] string $token, Request $request): Response
    {
        $address = $this->addresses->withToken($token);
        try {
            $whose = null === $address ? null : $this->callers->byId($address->person->id);
        } catch (UserNotFoundException) {
            $whose = null;
        }
        if (null === $whose) {
            $wrong = 'calendars asked for from '.$request->getClientIp();
            if (!$this->throttle->hit($wrong, self::MOST_WRONG, self::WINDOW)->isAccepted()) {
                throw new Problem(ProblemType::TooManyTries, 'accounts.calendars-too-many', retryAfter: self::WINDOW);
            }
            throw Problem::notFound('calendar');
        }
        $from = $this->clock->instant() - self::BEFORE;
        $meetings = $this->meetings->ofPeople([$whose->id], $from)[$whose->id] ?? [];

        return CalendarWriter::answer(
            $this->calendar->ofMeetings($whose->name, $meetings, $this->occasions),
            'week',
        );
    }

    private function answer(Caller $caller, ?string $path = null): CalendarAddressAnswer
    {
        $address = $this->addresses->of($caller->id);

        return new CalendarAddressAnswer(null === $address ? null : Instant::toJson($address->madeAt), $path);
    }
}
