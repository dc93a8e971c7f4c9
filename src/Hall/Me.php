<?php

declare(strict_types=1);

namespace MintDoor\Hall;

/** What somebody is told about themselves once signed in. */
final readonly class Me
{
    /** @return array<string, mixed> schema `Me` */
    public function of(Caller $caller): array
    {
        return [
            'id' => $caller->id,
            'name' => $caller->name,
            'login' => $caller->login,
            'kind' => $caller->kind,
            'platformAdministrator' => $caller->platformAdministrator,
            'divisions' => $caller->divisions,
            'mustChange' => $caller->mustChange,
            'mayMakeSites' => 'staff' === $caller->kind || $caller->isAdministrator(),
        ];
    }
}
