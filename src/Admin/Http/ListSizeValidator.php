<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\Constraints\CountValidator;

final class ListSizeValidator extends CountValidator
{
    public function validate(mixed $value, Constraint $constraint): void
    {
        if (\is_array($value) && !array_is_list($value)) {
            $this->context->buildViolation('This has to be a list.')->setInvalidValue($value)->addViolation();

            return;
        }
        // What is no text was made an object by now, or it is neither.
        if (\is_array($value) && [] !== array_filter($value, static fn (mixed $one): bool => !\is_string($one) && !\is_object($one))) {
            $this->context->buildViolation('This has to be a list of texts.')
                ->setCode(ListSize::OF_OTHERS)
                ->setInvalidValue($value)
                ->addViolation();

            return;
        }
        parent::validate($value, $constraint);
    }
}
