<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What is said around messages to the people of a division, and when none are sent. */
final readonly class Letterhead
{
    /**
     * @param ?string $division   code; null for everybody
     * @param string  $sender     name that messages come from; empty for as above, and above all for the platform's
     * @param string  $replyTo    address that answers go to; empty for as above, and above all for the sender's
     * @param string  $footer     below each message; empty for as above, and above all for none
     * @param string  $quietFrom  time of day, such as `21:00`, from which messages wait; empty for as above
     * @param string  $quietUntil time of day until which they wait, in the time zone of the division
     */
    public function __construct(
        public ?string $division = null,
        public string $sender = '',
        public string $replyTo = '',
        public string $footer = '',
        public string $quietFrom = '',
        public string $quietUntil = '',
    ) {}

    /** The same, with what this one leaves empty taken from another. */
    public function over(self $above): self
    {
        $quiet = '' === $this->quietFrom ? $above : $this;

        return new self(
            $this->division,
            $this->sender ?: $above->sender,
            $this->replyTo ?: $above->replyTo,
            $this->footer ?: $above->footer,
            $quiet->quietFrom,
            $quiet->quietUntil,
        );
    }

    /**
     * Seconds from an instant until messages are sent again; 0 where they are sent now.
     *
     * @param int $at seconds since 1970, UTC
     */
    public function waits(int $at, \DateTimeZone $zone): int
    {
        if ('' === $this->quietFrom || $this->quietFrom === $this->quietUntil) {
            return 0;
        }
        $here = (new \DateTimeImmutable('@'.$at))->setTimezone($zone);
        $time = $here->format('H:i');
        $overnight = $this->quietFrom > $this->quietUntil;
        $quiet = $overnight
            ? $time >= $this->quietFrom || $time < $this->quietUntil
            : $time >= $this->quietFrom && $time < $this->quietUntil;
        if (!$quiet) {
            return 0;
        }
        $day = $overnight && $time >= $this->quietFrom ? $here->modify('+1 day') : $here;
        [$hour, $minute] = explode(':', $this->quietUntil);

        return max(0, $day->setTime((int) $hour, (int) $minute)->getTimestamp() - $at);
    }
}
