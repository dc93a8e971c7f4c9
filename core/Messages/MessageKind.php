<?php

declare(strict_types=1);

namespace MintDoor\Core\Messages;

/** What a message is about. */
enum MessageKind: string
{
    /** To somebody who got an account; its link sets the first password. */
    case Welcome = 'welcome';
    case LetIn = 'let-in';
    case RoleChanged = 'role-changed';
    case Removed = 'removed';
    /** A link to set a password, asked for by the person or sent by staff. */
    case Password = 'password';
    /** To somebody who is asked to come; its link answers, once. */
    case Invitation = 'invitation';
    case Reminder = 'reminder';
    /** To the first of the waiting line. */
    case SeatOffered = 'seat-offered';
    /** To somebody who asked to be let in. */
    case RequestAnswered = 'request-answered';
    /** To somebody who has been away for long. */
    case QuietWarning = 'quiet-warning';

    /** To learners who may say which sections they would like to be in. */
    case Wishes = 'wishes';

    /** To learners who were asked what they wish: where a plan put them. */
    case Placed = 'placed';

    /** To learners who may choose a group by themselves. */
    case Choosing = 'choosing';

    /** To those who chose none: into which they were put. */
    case Grouped = 'grouped';

    /** To people of a site, in words of whoever writes. */
    case Written = 'written';

    /**
     * To somebody whose account was touched by another: a card, a link, another name, login or address, a session
     * ended.
     */
    case AccountChanged = 'account-changed';

    /** To somebody who registers: its link shows that the address is theirs. */
    case Registration = 'registration';

    private const EVERYWHERE = ['name', 'given', 'login', 'platform'];

    /** @return list<string> names that may stand in its template between braces */
    public function placeholders(): array
    {
        return [
            ...self::EVERYWHERE,
            ...$this->ofSite() ? ['site', 'role', 'until', 'by', 'words'] : [],
            ...self::Welcome === $this ? ['division', 'by', 'words'] : [],
            ...self::Registration === $this ? ['division'] : [],
            ...self::AccountChanged === $this ? ['what', 'by', 'division'] : [],
            ...self::Removed === $this ? [] : ['link'],
        ];
    }

    /** Whether it is good for nothing without its link. */
    public function needsLink(): bool
    {
        return !\in_array(
            $this,
            [self::Removed, self::RoleChanged, self::RequestAnswered, self::AccountChanged, self::Written],
            true,
        );
    }

    /** Whether its link is good for one person, and so must be theirs alone. */
    public function linkIsSecret(): bool
    {
        return $this->setsPassword()
            || \in_array($this, [self::Invitation, self::Reminder, self::Registration], true);
    }

    /** Whether its link sets a password, whatever else. */
    public function setsPassword(): bool
    {
        return self::Welcome === $this || self::Password === $this;
    }

    public function ofSite(): bool
    {
        return !\in_array($this, [self::Welcome, self::Password, self::AccountChanged, self::Registration], true);
    }

    /**
     * Whose templates of it there may be, the nearest first.
     *
     * @return non-empty-list<'site'|'division'|'platform'>
     */
    public function scopes(): array
    {
        return match (true) {
            $this->ofSite() => ['site', 'division', 'platform'],
            self::Welcome === $this, self::Registration === $this => ['division', 'platform'],
            default => ['platform'],
        };
    }
}
