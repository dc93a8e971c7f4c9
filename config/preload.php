<?php

declare(strict_types=1);

$preload = dirname(__DIR__).'/var/cache/prod/MintDoor_KernelProdContainer.preload.php';
if (is_file($preload)) {
    require $preload;
    // What every change goes through and no service shows: the check of bodies, and places that are taken.
    require_once dirname(__DIR__).'/vendor/autoload.php';
    $validator = new Opis\JsonSchema\Validator();
    $validator->parser()->setDefaultDraftVersion('2020-12');
    $validator
        ->validate(
            (object) ['a' => ['x', 1]],
            (string) json_encode([
                'type' => 'object',
                'required' => ['a'],
                'additionalProperties' => false,
                'maxProperties' => 3,
                'properties' => [
                    'a' => [
                        'type' => 'array',
                        'minItems' => 1,
                        'maxItems' => 2,
                        'items' => [
                            'oneOf' => [
                                [
                                    'type' => 'string',
                                    'minLength' => 1,
                                    'maxLength' => 3,
                                    'pattern' => '^x',
                                    'enum' => ['x'],
                                ],
                                ['type' => ['integer', 'null'], 'minimum' => 0, 'maximum' => 3],
                            ],
                        ],
                    ],
                    'b' => ['type' => 'string', 'format' => 'uuid'],
                    'c' => ['const' => true],
                ],
            ]),
        )
        ->error();
    // Values and rules of our own are made where they are needed, so that no service shows them either.
    foreach (
        array_map(strval(...), array_keys(require dirname(__DIR__).'/vendor/composer/autoload_classmap.php')) as $class
    ) {
        if (str_starts_with($class, 'MintDoor\\') && !str_starts_with($class, 'MintDoor\\Tests\\')) {
            class_exists($class);
        }
    }
    // What is loaded by nearly every request and shown by no service either.
    foreach (
        [
            Doctrine\Bundle\DoctrineBundle\Mapping\ClassMetadataFactory::class,
            Doctrine\DBAL\Connection\StaticServerVersionProvider::class,
            Doctrine\DBAL\ExpandArrayParameters::class,
            Doctrine\DBAL\Platforms\MariaDB1010Platform::class,
            Doctrine\DBAL\Platforms\MariaDB1052Platform::class,
            Doctrine\DBAL\Platforms\MariaDB1060Platform::class,
            Doctrine\DBAL\Platforms\MariaDBPlatform::class,
            Doctrine\ORM\Event\ListenersInvoker::class,
            Doctrine\ORM\Internal\HydrationCompleteHandler::class,
            Doctrine\ORM\Mapping\Driver\AttributeReader::class,
            Doctrine\ORM\Proxy\DefaultProxyClassNameResolver::class,
            Doctrine\ORM\Utility\IdentifierFlattener::class,
            Symfony\Component\Cache\Traits\CachedValueInterface::class,
            Symfony\Component\HttpKernel\Attribute\MapQueryParameter::class,
            Symfony\Component\HttpKernel\Attribute\MapRequestPayload::class,
            Symfony\Component\HttpKernel\Attribute\WithHttpStatus::class,
            Symfony\Component\Mime\FileBinaryMimeTypeGuesser::class,
            Symfony\Component\Mime\FileinfoMimeTypeGuesser::class,
            Symfony\Component\Mime\Header\Headers::class,
            Symfony\Component\PropertyAccess\PropertyAccess::class,
            Symfony\Component\PropertyAccess\PropertyAccessorBuilder::class,
            Symfony\Component\Serializer\Encoder\ChainDecoder::class,
            Symfony\Component\Serializer\Encoder\ChainEncoder::class,
            Symfony\Component\Serializer\Mapping\AttributeMetadata::class,
            Symfony\Component\Serializer\Mapping\ClassMetadata::class,
            Symfony\Component\TypeInfo\TypeContext\TypeContext::class,
            Symfony\Component\TypeInfo\Type\NullableType::class,
            Symfony\Component\Validator\ConstraintViolationList::class,
            Symfony\Component\Validator\Constraints\AbstractComparisonValidator::class,
            Symfony\Component\Validator\Constraints\CallbackValidator::class,
            Symfony\Component\Validator\Constraints\ChoiceValidator::class,
            Symfony\Component\Validator\Constraints\CountValidator::class,
            Symfony\Component\Validator\Constraints\DateValidator::class,
            Symfony\Component\Validator\Constraints\GreaterThanOrEqualValidator::class,
            Symfony\Component\Validator\Constraints\LengthValidator::class,
            Symfony\Component\Validator\Constraints\RangeValidator::class,
            Symfony\Component\Validator\Constraints\RegexValidator::class,
            Symfony\Component\Validator\Context\ExecutionContext::class,
            Symfony\Component\Validator\Context\ExecutionContextFactory::class,
            Symfony\Component\Validator\Context\ExecutionContextFactoryInterface::class,
            Symfony\Component\Validator\Mapping\Factory\LazyLoadingMetadataFactory::class,
            Symfony\Component\Validator\Mapping\Loader\AttributeLoader::class,
            Symfony\Component\Validator\Mapping\Loader\LoaderChain::class,
            Symfony\Component\Validator\Mapping\Loader\StaticMethodLoader::class,
            Symfony\Component\Validator\Util\PropertyPath::class,
            Symfony\Component\Validator\Validator\RecursiveContextualValidator::class,
            Symfony\Component\Validator\Validator\RecursiveValidator::class,
            Symfony\Component\VarExporter\Hydrator::class,
            Symfony\Component\VarExporter\ProxyHelper::class,
            Symfony\Component\Yaml\ParserState::class,
            Symfony\Component\Lock\LockFactory::class,
            Symfony\Component\Lock\Lock::class,
            Symfony\Component\Lock\Store\FlockStore::class,
            Symfony\Component\Lock\Key::class,
        ] as $class
    ) {
        class_exists($class);
    }
}
