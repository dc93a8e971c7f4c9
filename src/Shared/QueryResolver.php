<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Controller\ValueResolverInterface;
use Symfony\Component\HttpKernel\ControllerMetadata\ArgumentMetadata;
use Symfony\Component\HttpKernel\Exception\UnprocessableEntityHttpException;
use Symfony\Component\Validator\Exception\ValidationFailedException;
use Symfony\Component\Validator\Validator\ValidatorInterface;

/**
 * Makes the filters of lists from the address: flat, of texts, whole numbers and yes or no. A general serializer does
 * this, too, but takes longer over it than the database over the list.
 */
final readonly class QueryResolver implements ValueResolverInterface
{
    public function __construct(private ValidatorInterface $validator) {}

    /** @return list<object> */
    public function resolve(Request $request, ArgumentMetadata $argument): iterable
    {
        $class = $argument->getType();
        if (null === $class || !class_exists($class) || [] === $argument->getAttributesOfType(FromQuery::class)) {
            return [];
        }
        $values = [];
        foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
            $name = $parameter->getName();
            $given = $request->query->all()[$name] ?? null;
            if ('' === $given && $parameter->allowsNull()) {
                // Left empty, it is not asked for.
                $values[$name] = null;
            } elseif (null !== $given) {
                $values[$name] = $this->value($parameter, $given);
            } elseif (!$parameter->isDefaultValueAvailable()) {
                throw Problem::field('/'.$name, 'missing', Said::with('shared.say-too', name: $name));
            }
        }
        $made = new $class(...$values);
        $violations = $this->validator->validate($made);
        if (\count($violations) > 0) {
            throw new UnprocessableEntityHttpException('', new ValidationFailedException($made, $violations));
        }

        return [$made];
    }

    private function value(\ReflectionParameter $parameter, mixed $given): string|int|bool
    {
        $type = $parameter->getType();
        $value = !\is_string($given)
            ? null
            : match ($type instanceof \ReflectionNamedType ? $type->getName() : '') {
                'string' => mb_scrub($given),
                'int' => filter_var($given, \FILTER_VALIDATE_INT, \FILTER_NULL_ON_FAILURE),
                'bool' => filter_var($given, \FILTER_VALIDATE_BOOL, \FILTER_NULL_ON_FAILURE),
                default => null,
            };

        return $value
            ?? throw Problem::field('/'.$parameter->getName(), 'type', 'shared.value-wrong-kind');
    }
}
