<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
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
        private readonly Connection $db,
        private readonly TokenStorageInterface $tokens,
        private readonly RequestStack $requests,
    ) {}

    /** Whoever signs in begins a session of their own, whatever was read before. */
    public function begun(): void
    {
        $this->begunAt = null;
        $this->renew = false;
    }

    /** After a change of somebody's rights their sessions go on under another id. */
    public function renewOf(string $person): void
    {
        $this->db->executeStatement('UPDATE session SET renew = 1 WHERE person_id = ?', [Id::binary($person)]);
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
        return (int) $this->db->executeStatement(
            'DELETE FROM session WHERE touched_at < UTC_TIMESTAMP() - INTERVAL ? SECOND OR ends_at < UTC_TIMESTAMP()',
            [$max_lifetime],
        );
    }

    public function updateTimestamp(string $sessionId, string $data): bool
    {
        if (null === $this->touchedAt || time() - $this->touchedAt > self::TOUCH_EVERY) {
            $this->db->executeStatement('UPDATE session SET touched_at = UTC_TIMESTAMP() WHERE id = ?', [
                self::hash($sessionId),
            ]);
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
        $row = $this->db->fetchAssociative(
            'SELECT data, touched_at, made_at, renew FROM session
             WHERE id = ? AND touched_at > UTC_TIMESTAMP() - INTERVAL ? SECOND AND ends_at > UTC_TIMESTAMP()',
            [self::hash($sessionId), self::LASTS],
        );
        if (false === $row) {
            return '';
        }
        $row = new Row($row);
        $this->touchedAt = $row->instant('touched_at');
        $this->begunAt = $row->string('made_at');
        $this->renew = $row->bool('renew');

        return $row->string('data');
    }

    protected function doWrite(string $sessionId, string $data): bool
    {
        $caller = $this->tokens->getToken()?->getUser();
        if (!$caller instanceof Caller) {
            return true;
        }
        $request = $this->requests->getMainRequest();
        $longest = $caller->isAdministrator() ? self::LONGEST_OF_ADMINISTRATORS : self::LONGEST;
        $begun = null === $this->begunAt ? 'UTC_TIMESTAMP()' : $this->db->quote($this->begunAt);
        $this->db->executeStatement(
            "INSERT INTO session (id, person_id, data, touched_at, made_at, ends_at, address, device)
             VALUES (?, ?, ?, UTC_TIMESTAMP(), $begun, $begun + INTERVAL ? SECOND, ?, ?)
             ON DUPLICATE KEY UPDATE person_id = VALUES(person_id), data = VALUES(data),
                 touched_at = VALUES(touched_at),
                 ends_at = VALUES(ends_at)",
            [
                self::hash($sessionId),
                Id::binary($caller->id),
                $data,
                $longest,
                $request?->getClientIp(),
                Device::of($request?->headers->get('User-Agent')),
            ],
            [ParameterType::BINARY, ParameterType::BINARY, ParameterType::LARGE_OBJECT],
        );

        return true;
    }

    protected function doDestroy(string $sessionId): bool
    {
        $this->db->executeStatement('DELETE FROM session WHERE id = ?', [self::hash($sessionId)]);

        return true;
    }
}
