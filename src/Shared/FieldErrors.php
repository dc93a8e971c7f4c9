<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** What is wrong with the fields of a request, collected, so that all of it is said at once. */
final class FieldErrors
{
    /** @var list<Wrong> */
    private array $errors = [];

    /** @param string|Said $detail the key of a sentence that says what to do */
    public function add(string $field, string $code, string|Said $detail): void
    {
        $this->errors[] = new Wrong('/'.$field, $code, $detail);
    }

    public function none(): bool
    {
        return [] === $this->errors;
    }

    /** @throws Problem at the fields, where anything is wrong */
    public function check(): void
    {
        if ([] !== $this->errors) {
            throw new Problem(ProblemType::Invalid, $this->errors[0]->said, $this->errors);
        }
    }
}
