<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Doctrine\DBAL\ArrayParameterType;

/**
 * Conditions of a statement that come together one by one, with their values. A list of strings stands for `IN (?)`.
 */
final class Where
{
    /** @var list<string> */
    private array $conditions = [];

    /** @var list<mixed> */
    public array $parameters = [];

    /** @var array<int<0, max>, ArrayParameterType> by place */
    public array $types = [];

    public function __construct(string ...$conditions)
    {
        $this->conditions = array_values($conditions);
    }

    public function add(string $condition, mixed ...$values): self
    {
        $this->conditions[] = $condition;
        foreach ($values as $value) {
            if (\is_array($value)) {
                $this->types[\count($this->parameters)] = ArrayParameterType::STRING;
            }
            $this->parameters[] = $value;
        }

        return $this;
    }

    public function sql(string $glue = ' AND '): string
    {
        return implode($glue, $this->conditions) ?: '1';
    }

    /** All of it as one condition. */
    public function wrapped(string $glue): self
    {
        $one = new self('('.$this->sql($glue).')');
        $one->parameters = $this->parameters;
        $one->types = $this->types;

        return $one;
    }
}
