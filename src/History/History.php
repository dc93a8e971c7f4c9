<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\History\Repository\HistoryEntries;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\HttpFoundation\RequestStack;

/** Writes what happened. The sequence of a site's entries is counted under its lock, so it is the order of events. */
final readonly class History
{
    /** In place of a site, for what concerns the whole platform. */
    public const PLATFORM = Id::NONE;

    /** Codes of entries that stand in the security log, too. */
    private const SECURITY = [
        'password-reset',
        'password-wanted',
        'password-link',
        'sessions-ended',
        'person-changed',
        'person-exported',
        'person-erased',
        'merged',
        'unmerged',
        'account-closed',
        'account-opened',
        'rules-changed',
        'settings-changed',
        'division-moved',
        'mail-password-kept',
        'mail-tried',
        'registration-code-kept',
        'registration-refused',
        'administrator-named',
    ];

    public function __construct(
        private HistoryEntries $entries,
        private PlatformClock $clock,
        private RequestStack $requests,
        private SecurityLog $security,
    ) {}

    /** @return int the sequence number of the first; the others follow */
    public function write(string $siteId, Caller $actor, Happening $first, Happening ...$others): int
    {
        return $this->writeAll($siteId, $actor, [$first, ...array_values($others)]);
    }

    /**
     * @param non-empty-list<Happening> $happenings
     *
     * @return int the sequence number of the first; the others follow
     */
    public function writeAll(string $siteId, Caller $actor, array $happenings): int
    {
        foreach ($happenings as $one) {
            \in_array($one->code, HistoryFilter::codes(), true)
                || throw new \LogicException(\sprintf('"%s" is written and could not be looked for.', $one->code));
        }
        $now = $this->clock->instant();
        $many = \count($happenings);
        $last = self::PLATFORM === $siteId
            ? $this->entries->lastOfPlatform($many)
            : $this->entries->lastOfSite($siteId, $many, $now);
        $first = $last - $many + 1;
        $address = $this->requests->getMainRequest()?->getClientIp();
        $this->entries->append($siteId, $first, $now, $actor->id, $address, $happenings);
        foreach (self::PLATFORM === $siteId ? $happenings : [] as $one) {
            if (\in_array($one->code, self::SECURITY, true)) {
                $this->security->note($one->code, $one->person, $actor->id);
            }
        }

        return $first;
    }

    /** Notes on an entry that a later one took it back. */
    public function undone(string $siteId, int $sequence, int $by): void
    {
        $this->entries->undone($siteId, $sequence, $by);
    }
}
