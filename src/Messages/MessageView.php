<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\MessageState;
use MintDoor\People\PersonName;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** A message as staff see it: with whom it went to, by whom, and of which site. */
final readonly class MessageView
{
    public function __construct(
        public string $id,
        public string $kind,
        public string $cause,
        public string $address,
        public ?string $changeList,
        public string $subject,
        public string $body,
        public string $state,
        public int $tries,
        public ?string $reason,
        public int $madeAt,
        public ?int $sentAt,
        public ?int $dueAt,
        public ?string $personId,
        public ?string $given,
        public ?string $family,
        public ?string $preferred,
        /** Where they are reached now. */
        public ?string $email,
        /** Why they are in the directory no more. */
        public ?string $gone,
        public ?string $byId,
        public ?string $byGiven,
        public ?string $byFamily,
        public ?string $byPreferred,
        public ?string $siteId,
        public ?string $siteTitle,
    ) {}

    /** Whom it went to, by name where they have one here. */
    public function name(): string
    {
        return null === $this->personId
            ? $this->address
            : PersonName::shown((string) $this->given, (string) $this->family, $this->preferred);
    }

    public function waits(): bool
    {
        return MessageState::from($this->state)->waits();
    }

    /** The message that something sent again was at first. */
    public function first(): string
    {
        return 1 === preg_match('/^again:([^:]+):/', $this->cause, $found) ? $found[1] : $this->id;
    }

    public function shown(): MessageShown
    {
        $link = MessageKind::from($this->kind)->linkIsSecret() ? '(a link for them alone)' : '(link to the site)';

        return new MessageShown(
            id: $this->id,
            kind: $this->kind,
            state: $this->state,
            person: null === $this->personId ? null : new Somebody($this->personId, $this->name()),
            to: $this->address,
            site: null === $this->siteId ? null : new SiteName($this->siteId, (string) $this->siteTitle),
            changeList: $this->changeList,
            subject: $this->subject,
            text: str_replace(Letter::LINK, $link, $this->body),
            madeAt: Instant::toJson($this->madeAt),
            sentAt: null === $this->sentAt ? null : Instant::toJson($this->sentAt),
            by: null === $this->byId
                ? null
                : PersonName::shown((string) $this->byGiven, (string) $this->byFamily, $this->byPreferred),
            tries: $this->tries,
            reason: $this->reason,
            waits: null === $this->dueAt ? null : max(0, $this->dueAt - time()),
        );
    }
}
