<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/**
 * Counts tries to sign in that failed, of an account from a place: nobody is locked out by others elsewhere, and a
 * school behind one address comes in at once. Login and e-mail of one account are one. After some the answer takes
 * longer and longer; only then it is no.
 */
final readonly class SignInGuard
{
    /** Seconds. */
    private const WINDOW = 900;

    private const MOST = 10;

    /** Failures that cost no time. */
    private const FREE = 3;

    /** Of a place, whoever was tried: beyond, every failure costs the longest time. */
    private const MOST_OF_PLACE = 200;

    private const LONGEST = 1_400;

    /** Answers that take longer at the same time, on one machine. */
    private const PAUSES = 3;

    public function __construct(
        private Throttle $throttle,
        private RequestStack $requests,
        private SessionStore $sessions,
        private SecurityLog $log,
        private Places $places,
        /** Milliseconds by which each further failure takes longer. */
        #[Autowire('%env(int:SIGN_IN_SLOWS)%')] private int $slows,
    ) {}

    /** Before the password is looked at. */
    #[AsEventListener(priority: 512)]
    public function before(CheckPassportEvent $event): void
    {
        if (
            $this->isPassword($event->getPassport())
            && $this->throttle->reached($this->key($event->getPassport()), self::MOST)
        ) {
            throw new TooManyLoginAttemptsAuthenticationException((int) ceil(self::WINDOW / 60));
        }
    }

    #[AsEventListener]
    public function failed(LoginFailureEvent $event): void
    {
        $passport = $event->getPassport();
        if (null === $passport || !$this->isPassword($passport)) {
            return;
        }
        $refused = $event->getException() instanceof TooManyLoginAttemptsAuthenticationException;
        if ($refused) {
            // Once is enough to know, and nobody fills the log.
            $first = $this->throttle->hit('refusals of '.$this->key($passport), 1, self::WINDOW)->isAccepted();
            $first && $this->log->note('sign-in-refused', $this->account($passport));

            return;
        }
        $this->log->note('sign-in-failed', $this->account($passport));
        $failures =
            self::MOST - $this->throttle->hit($this->key($passport), self::MOST, self::WINDOW)->getRemainingTokens();
        $place = $this->throttle->hit('failures from '.$this->place(), self::MOST_OF_PLACE, self::WINDOW);
        $this->pauseFor(self::pause($failures, !$place->isAccepted(), $this->slows));
    }

    /**
     * How much longer the answer to a failure takes.
     *
     * @param int  $failures of this account from this place, this one among them
     * @param bool $crowded  whether very many failed from there, whoever was tried
     * @param int  $slows    milliseconds for each further failure; 0 for never
     *
     * @return int milliseconds
     */
    public static function pause(int $failures, bool $crowded, int $slows): int
    {
        $longest = 0 === $slows ? 0 : self::LONGEST;

        return $crowded ? $longest : min($longest, $slows * max(0, $failures - self::FREE));
    }

    #[AsEventListener]
    public function succeeded(LoginSuccessEvent $event): void
    {
        $caller = $event->getUser();
        if ($this->isPassword($event->getPassport()) && $caller instanceof Caller) {
            $this->throttle->forget($this->key($event->getPassport()));
            $this->sessions->begun();
            $this->log->note('sign-in', $caller->id, by: $caller->id);
        }
    }

    /**
     * Few wait at the same time: whoever would be one more is refused, so that no process is missing for the others.
     */
    private function pauseFor(int $milliseconds): void
    {
        if ($milliseconds > 0) {
            $place =
                $this->places->take('pauses', self::PAUSES) ?? throw new TooManyLoginAttemptsAuthenticationException(1);
            usleep(1_000 * $milliseconds);
            $place->release();
        }
    }

    private function isPassword(Passport $passport): bool
    {
        return $passport->hasBadge(PasswordCredentials::class);
    }

    private function key(Passport $passport): string
    {
        return 'failures of '.($this->account($passport) ?? $this->typed($passport)).' from '.$this->place();
    }

    /** @return ?string id; null where there is none */
    private function account(Passport $passport): ?string
    {
        $user = $passport->getUser();

        return $user instanceof Caller && Id::NONE !== $user->id ? $user->id : null;
    }

    private function typed(Passport $passport): string
    {
        $badge = $passport->getBadge(UserBadge::class);

        return mb_strtolower(trim($badge instanceof UserBadge ? $badge->getUserIdentifier() : ''));
    }

    private function place(): string
    {
        return Place::of($this->requests->getMainRequest());
    }
}
