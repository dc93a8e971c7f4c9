<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Repository\Sessions;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/**
 * Sessions in the database, without locks, so that parallel calls of one person do not queue. The id is kept hashed,
 * the person beside it, so that somebody's sessions can be ended; that a session is in use is written once a minute at
 * most. Nothing is kept of who is not signed in.
 */
final class SessionStore extends AbstractSessionHandler
{
    /** Seconds without a request after which a session is over. */
    public const LASTS = 43_200;

    /** Seconds after which it is over in any case, and for administrators. */
    public const LONGEST = 30 * 86_400;

    public const LONGEST_OF_ADMINISTRATORS = 43_200;

    private const TOUCH_EVERY = 60;

    private ?int $touchedAt = null;

    /** When the session that is read began; null for one that begins now. */
    private ?string $begunAt = null;

    private bool $renew = false;

    public function __construct(
        private readonly Sessions $sessions,
        private readonly TokenStorageInterface $tokens,
        private readonly RequestStack $requests,
    ) {}

    /** Whoever signs in begins a session of their own, whatever was read before. */
    public function begun(): void
    {
        $this->begunAt = null;
        $this->renew = false;
    }

    #[AsEventListener]
    public function renewed(ControllerEvent $event): void
    {
        if ($this->renew && $event->isMainRequest() && $event->getRequest()->hasSession()) {
            $this->renew = false;
            $event->getRequest()->getSession()->migrate(true);
        }
    }

    public function close(): bool
    {
        return true;
    }

    public function gc(int $max_lifetime): int
    {
        return $this->sessions->endOld($max_lifetime);
    }

    public function updateTimestamp(string $sessionId, string $data): bool
    {
        if (null === $this->touchedAt || time() - $this->touchedAt > self::TOUCH_EVERY) {
            $this->sessions->touch(self::hash($sessionId));
        }

        return true;
    }

    /** What a session is kept under. */
    public static function hash(string $sessionId): string
    {
        return hash('sha256', $sessionId, true);
    }

    protected function doRead(string $sessionId): string
    {
        $session = $this->sessions->running(self::hash($sessionId), self::LASTS);
        if (null === $session) {
            return '';
        }
        $this->touchedAt = $session->touchedAt;
        $this->begunAt = Instant::toSql($session->madeAt);
        $this->renew = $session->renew;

        return \is_string($session->data) ? $session->data : '';
    }

    protected function doWrite(string $sessionId, string $data): bool
    {
        $caller = $this->tokens->getToken()?->getUser();
        if (!$caller instanceof Caller) {
            return true;
        }
        $request = $this->requests->getMainRequest();
        $longest = $caller->isAdministrator() ? self::LONGEST_OF_ADMINISTRATORS : self::LONGEST;
        $this->sessions->write(
            self::hash($sessionId),
            $caller->id,
            $data,
            $this->begunAt,
            $longest,
            $request?->getClientIp(),
            Device::of($request?->headers->get('User-Agent')),
        );

        return true;
    }

    protected function doDestroy(string $sessionId): bool
    {
        $this->sessions->end(self::hash($sessionId));

        return true;
    }
}
