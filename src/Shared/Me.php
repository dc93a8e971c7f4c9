<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** What somebody is told about themselves once signed in. */
final readonly class Me
{
    public function __construct(private InsideMail $mail) {}

    public function of(Caller $caller): MeAnswer
    {
        return new MeAnswer(
            id: $caller->id,
            name: $caller->name,
            login: $caller->login,
            kind: $caller->kind,
            platformAdministrator: $caller->platformAdministrator,
            divisions: $caller->divisions,
            mayMakeSites: 'staff' === $caller->kind || $caller->isAdministrator(),
            readsNumbers: $caller->readsNumbers(),
            mustChange: $caller->mustChange,
            seesMailboxes: $caller->platformAdministrator && $this->mail->staysInside(),
            language: $caller->language,
            timeZone: $caller->timeZone,
        );
    }
}
